import { useState } from "react";
import { type BrandBook, paletteOf } from "../../core/brand/book";
import { alikeRoles } from "../../core/color/difference";
import { COLOR_ROLES, type ColorRole } from "../../core/color/palette";
import { type NamedColor } from "../../core/color/paletteFiles";
import { COLOR_NOTATIONS, type ColorNotation } from "../../core/color/typedColor";
import { capital } from "../../core/text/capital";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { ColorPairs } from "./ColorPairs";
import { ColorProposals, type Proposal } from "./ColorProposals";
import { ColorRow } from "./ColorRow";
import { PaletteFiles } from "./PaletteFiles";

const ROLE_TEXT: Readonly<Record<ColorRole, string>> = {
  ground: "behind everything",
  card: "panels and plates",
  ink: "words",
  primary: "the brand’s own",
  accent: "rules and marks",
  sale: "price badges",
};

type Colors = Pick<BrandBook, "colors" | "extras">;

/** A brand's colours: roles and extras, with the contrast of every pair and proposals from pictures and files. */
export function ColorSection({
  colors,
  extras,
  problems,
  proposals,
  exportName,
  onChange,
  onUnreadable,
}: Colors & {
  problems: Readonly<Record<string, string>>;
  proposals: readonly Proposal[];
  exportName: string;
  onChange: (change: Partial<Colors>) => void;
  /** Told which of the colours are written in a way that can't be read. */
  onUnreadable: (change: (before: readonly string[]) => readonly string[]) => void;
}) {
  const [notation, setNotation] = useState<ColorNotation>("hex");
  const [picked, setPicked] = useState<ColorRole>("ink");
  const palette = paletteOf({ colors });
  const setRole = (role: ColorRole, change: Partial<NamedColor>): void =>
    onChange({ colors: { ...colors, [role]: { ...colors[role], ...change } } });
  const setExtra = (at: number, change: Partial<NamedColor> | null): void =>
    onChange({
      extras: change
        ? extras.map((one, index) => (index === at ? { ...one, ...change } : one))
        : extras.filter((_, index) => index !== at),
    });
  const noteUnreadable = (label: string, isUnreadable: boolean): void =>
    onUnreadable((before) => [...before.filter((one) => one !== label), ...(isUnreadable ? [label] : [])]);
  const removeExtra = (at: number): void => {
    noteUnreadable(`extra ${at + 1}`, false);
    setExtra(at, null);
  };
  const alike = alikeRoles(palette);
  return (
    <section aria-label="Colours">
      <div className="mb-2 flex items-baseline justify-between">
        <h2>Colours</h2>
        <label className="text-sm text-soft">
          written as{" "}
          <select
            value={notation}
            onChange={(event) => setNotation(COLOR_NOTATIONS.find((one) => one === event.target.value) ?? "hex")}
            className="border border-rule bg-white px-2 py-1 text-ink"
          >
            {COLOR_NOTATIONS.map((one) => (
              <option key={one} value={one}>
                {one === "hex" ? "hex" : one.toUpperCase()}
              </option>
            ))}
          </select>
        </label>
      </div>
      <ul className="divide-y divide-rule border-y border-rule">
        {COLOR_ROLES.map((role) => (
          <ColorRow
            key={role}
            label={role}
            about={ROLE_TEXT[role]}
            color={colors[role]}
            notation={notation}
            problem={problems[`colors.${role}.hex`] ?? problems[`colors.${role}.name`]}
            active={picked === role}
            onPick={() => setPicked(role)}
            onChange={(change) => setRole(role, change)}
            onUnreadable={(is) => noteUnreadable(role, is)}
          />
        ))}
        {extras.map((color, at) => (
          <ColorRow
            key={at}
            label={`extra ${at + 1}`}
            about="free"
            color={color}
            notation={notation}
            problem={problems[`extras[${at}].hex`] ?? problems[`extras[${at}].name`]}
            active={false}
            onChange={(change) => setExtra(at, change)}
            onUnreadable={(is) => noteUnreadable(`extra ${at + 1}`, is)}
            onRemove={() => removeExtra(at)}
          />
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-5 text-sm">
        <Button
          look="quiet"
          onClick={() => onChange({ extras: [...extras, { name: `Extra ${extras.length + 1}`, hex: "#808080" }] })}
        >
          Add a colour
        </Button>
        <PaletteFiles exportName={exportName} onRead={(read) => onChange(placed(read, colors, extras))} />
      </div>
      {alike.map(({ roles, difference }) => (
        <Notice key={roles.join()} kind="warn" className="mt-3">
          {capital(roles[0])} and {roles[1]} look alike (difference {difference.toFixed(1)}). People may not tell their
          work apart.
        </Notice>
      ))}
      <ColorProposals proposals={proposals} role={picked} onTake={(hex) => setRole(picked, { hex })} />
      <ColorPairs palette={palette} onTake={(role, hex) => setRole(role, { hex })} />
    </section>
  );
}

/** Colours of a file go to the roles of the same name; the others become extras, each once. */
function placed(read: readonly NamedColor[], colors: BrandBook["colors"], extras: BrandBook["extras"]): Colors {
  const next = { ...colors };
  const more = [...extras];
  for (const color of read) {
    const role = COLOR_ROLES.find((one) => one === color.name.toLowerCase() || colors[one].name === color.name);
    if (role) next[role] = { name: next[role].name, hex: color.hex };
    else if (!more.some(({ hex }) => hex === color.hex)) more.push({ name: color.name.slice(0, 40), hex: color.hex });
  }
  return { colors: next, extras: more };
}
