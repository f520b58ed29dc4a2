import { paletteOf } from "../../core/brand/book";
import { clsx } from "clsx";
import { useRef, useState } from "react";
import { Problem } from "../components/Problem";
import { TriangleAlert, Wand, X } from "lucide-react";
import { type BrandBook } from "../../core/brand/book";
import { contrastRatio, contrastVerdict } from "../../core/color/contrast";
import { alikeRoles } from "../../core/color/difference";
import { COLOR_ROLES, type ColorRole, type Palette } from "../../core/color/palette";
import { PALETTE_FORMATS, readPaletteFile, type NamedColor } from "../../core/color/paletteFiles";
import { reachContrast } from "../../core/color/reachContrast";
import { isHex } from "../../core/color/srgb";
import { COLOR_NOTATIONS, type ColorNotation, parseColor, writeColor } from "../../core/color/typedColor";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { ScrollBox } from "../components/ScrollBox";

const ROLE_TEXT: Readonly<Record<ColorRole, string>> = {
  ground: "behind everything",
  card: "panels and plates",
  ink: "words",
  primary: "the brand’s own",
  accent: "rules and marks",
  sale: "price badges",
};
const FORMAT_TEXT = { tokens: "design tokens", gpl: "GIMP palette", css: "CSS" } as const;

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
  proposals: readonly { readonly from: string; readonly colors: readonly string[] }[];
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
      <Proposals proposals={proposals} role={picked} onTake={(hex) => setRole(picked, { hex })} />
      <Pairs palette={palette} onTake={(role, hex) => setRole(role, { hex })} />
    </section>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

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

function ColorRow({
  label,
  about,
  color,
  notation,
  problem,
  active,
  onPick,
  onChange,
  onUnreadable,
  onRemove,
}: {
  label: string;
  about: string;
  color: NamedColor;
  notation: ColorNotation;
  problem: string | undefined;
  active: boolean;
  onPick?: () => void;
  onChange: (change: Partial<NamedColor>) => void;
  onUnreadable: (is: boolean) => void;
  onRemove?: () => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const finish = (): void => {
    if (typed === null) return;
    try {
      onChange({ hex: parseColor(typed) });
      setWrong(null);
      setTyped(null);
      onUnreadable(false);
    } catch (error) {
      setWrong(error instanceof Error ? error.message : String(error));
      onUnreadable(true);
    }
  };
  const shown = wrong ?? problem;
  return (
    <li onFocus={onPick} className={`flex flex-wrap items-center gap-x-4 py-2 ${active ? "bg-card" : ""}`}>
      <input
        type="color"
        value={isHex(color.hex) ? color.hex : "#000000"}
        onChange={(event) => onChange({ hex: event.target.value })}
        aria-label={`${label} colour, picker`}
        className="h-10 w-14 border border-rule bg-white p-0.5"
      />
      <div className="w-36">
        <p className="font-semibold">{label}</p>
        <p className="text-sm text-soft">{about}</p>
      </div>
      <input
        value={color.name}
        maxLength={40}
        onChange={(event) => onChange({ name: event.target.value })}
        aria-label={`${label} colour, name`}
        className="w-36 border border-rule bg-white px-2 py-1.5"
      />
      <input
        value={typed ?? (isHex(color.hex) ? writeColor(color.hex, notation) : color.hex)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          event.preventDefault();
          finish();
        }}
        aria-label={`${label} colour, ${notation}`}
        aria-invalid={shown ? true : undefined}
        className="w-64 border border-rule bg-white px-2 py-2.5 figures"
      />
      {onRemove && (
        <button
          type="button"
          onClick={onRemove}
          aria-label={`Remove ${color.name}`}
          className="p-1 text-soft hover:text-wrong"
        >
          <X aria-hidden size={16} />
        </button>
      )}
      <Problem text={shown} className="mt-1 w-full" />
    </li>
  );
}

/** Brings colours in from a file, and gives them out in three open formats. */
function PaletteFiles({ exportName, onRead }: { exportName: string; onRead: (colors: readonly NamedColor[]) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ kind: "ready" | "wrong"; text: string } | null>(null);
  async function read(file: File | undefined): Promise<void> {
    if (!file) return;
    try {
      if (file.size > 500_000) throw new SyntaxError("The file is larger than the limit for palettes: 0.5 MB.");
      const { colors } = readPaletteFile(await file.text());
      onRead(colors);
      setSaid({ kind: "ready", text: `${colors.length} colours read from ${file.name}. Save the book to keep them.` });
    } catch (error) {
      setSaid({ kind: "wrong", text: `“${file.name}”: ${error instanceof Error ? error.message : String(error)}` });
    }
  }
  return (
    <>
      <input
        ref={picker}
        type="file"
        accept=".json,.gpl,.css,.tokens"
        className="sr-only"
        tabIndex={-1}
        aria-label="Palette file"
        data-testid="palette-picker"
        onChange={(event) => {
          void read(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
      <Button look="quiet" onClick={() => picker.current?.click()}>
        Import a palette
      </Button>
      <span className="text-soft">
        Export as{" "}
        {PALETTE_FORMATS.map((format, index) => (
          <span key={format}>
            {index > 0 && ", "}
            <a href={`/brand-book/palette/${format}`} download={exportName} className="underline">
              {FORMAT_TEXT[format]}
            </a>
          </span>
        ))}
      </span>
      {said && (
        <Notice kind={said.kind} className="w-full">
          {said.text}
        </Notice>
      )}
    </>
  );
}

/** Colours found in the logo and in pictures, to take for the role that was last touched. */
function Proposals({
  proposals,
  role,
  onTake,
}: {
  proposals: readonly { readonly from: string; readonly colors: readonly string[] }[];
  role: ColorRole;
  onTake: (hex: string) => void;
}) {
  if (proposals.length === 0) return null;
  return (
    <div className="mt-5">
      <h3 className="mb-2 text-sm">
        Found in your pictures{" "}
        <span className="font-sans font-normal text-soft">
          · a press takes one for <strong>{role}</strong>
        </span>
      </h3>
      <ul className="flex flex-wrap gap-x-6 gap-y-3">
        {proposals.map(({ from, colors }) => (
          <li key={from} className="min-w-0">
            <span className="flex">
              {colors.map((hex) => (
                <button
                  key={hex}
                  type="button"
                  onClick={() => onTake(hex)}
                  aria-label={`Take ${hex} from ${from} for ${role}`}
                  title={hex}
                  className="h-9 w-9 border border-ink/10"
                  style={{ background: hex }}
                />
              ))}
            </span>
            <span className="block max-w-48 truncate text-xs text-soft">{from}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Every pair of roles: how the row's colour reads on the column's, what that is enough for, and what would be. */
function Pairs({ palette, onTake }: { palette: Palette; onTake: (role: ColorRole, hex: string) => void }) {
  const [chosen, setChosen] = useState<readonly [ColorRole, ColorRole]>(["ink", "ground"]);
  if (!COLOR_ROLES.every((role) => isHex(palette[role]))) return null;
  const [over, under] = chosen;
  const ratio = contrastRatio(palette[over], palette[under]);
  return (
    <div className="mt-6">
      <h3 className="mb-2 text-sm">
        Contrast of every pair{" "}
        <span className="font-sans font-normal text-soft">· AA needs 4.5 for normal and 3 for large type</span>
      </h3>
      <div className="flex flex-wrap gap-6 *:max-w-full">
        <ScrollBox label="Contrast of every pair">
          <table className="text-center text-xs">
            <thead>
              <tr>
                <td />
                {COLOR_ROLES.map((role) => (
                  <th key={role} scope="col" className="pb-1 font-normal text-soft">
                    on {role}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {COLOR_ROLES.map((row) => (
                <tr key={row}>
                  <th scope="row" className="pr-3 text-left font-normal text-soft">
                    {row}
                  </th>
                  {COLOR_ROLES.map((column) => {
                    const pair = contrastRatio(palette[row], palette[column]);
                    return (
                      <td key={column} className="p-0.5">
                        {row === column ? null : (
                          <button
                            type="button"
                            onClick={() => setChosen([row, column])}
                            aria-pressed={over === row && under === column}
                            aria-label={`${row} on ${column}: ${pair.toFixed(1)}, ${contrastVerdict(pair)}`}
                            className={clsx(
                              "block h-12 w-[78px] border-2",
                              over === row && under === column ? "border-ink" : "border-transparent",
                            )}
                          >
                            <span
                              data-sample
                              className="flex h-6 items-center justify-center text-sm font-semibold"
                              style={{ background: palette[column], color: palette[row] }}
                            >
                              Aa
                            </span>
                            <span className="block figures text-[11px] leading-5 whitespace-nowrap">
                              {pair.toFixed(1)}{" "}
                              {contrastVerdict(pair) === "large only"
                                ? "large"
                                : contrastVerdict(pair) === "too low"
                                  ? "low"
                                  : contrastVerdict(pair)}
                            </span>
                          </button>
                        )}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollBox>
        <div className="min-w-56 flex-1 text-sm">
          <p className="mb-2">
            <strong>
              {capital(over)} on {under}
            </strong>
            : <span className="figures">{ratio.toFixed(2)}</span>. Normal type{" "}
            {ratio >= 7 ? "AAA" : ratio >= 4.5 ? "AA" : "fails"}, large type{" "}
            {ratio >= 4.5 ? "AAA" : ratio >= 3 ? "AA" : "fails"}.
          </p>
          {(
            [
              ["large type", 3],
              ["normal type", 4.5],
              ["AAA", 7],
            ] as const
          )
            .filter(([, wanted]) => ratio < wanted)
            .map(([what, wanted]) => {
              const found = reachContrast(palette[over], palette[under], wanted);
              return (
                found && (
                  <button
                    key={what}
                    type="button"
                    onClick={() => onTake(over, found)}
                    className="mb-2 flex items-center gap-3 text-left underline-offset-2 hover:underline"
                  >
                    <span
                      aria-hidden
                      data-sample
                      className="flex h-9 w-12 items-center justify-center font-semibold"
                      style={{ background: palette[under], color: found }}
                    >
                      Aa
                    </span>
                    <span>
                      <Wand aria-hidden size={13} className="mr-1 inline" />
                      {over} as <span className="figures">{found}</span> is enough for {what}
                    </span>
                  </button>
                )
              );
            })}
          {ratio < 3 && (
            <p className="flex gap-1.5 text-warn">
              <TriangleAlert aria-hidden size={15} className="mt-0.5 shrink-0" /> Scenes never set words in this pair;
              they take the next colour that can be read.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}
