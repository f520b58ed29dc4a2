import { type ChangeEvent, type ReactNode } from "react";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { type ShownVersion, titleOf } from "../desk/versions";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { ToggleButton } from "../components/ToggleButton";
import { OVERLAYS, type OverlayName } from "./Overlay";

export const VIEWS = ["wall", "large"] as const;
export type View = (typeof VIEWS)[number];
const VIEW_WORDS: Readonly<Record<View, string>> = { wall: "Wall", large: "Large" };

/** What can stand beside a proof: another format, or a version that was kept. */
export type Beside = FormatName | ShownVersion;

/** How the proofs are looked at. */
export interface Look {
  readonly view: View;
  readonly overlays: ReadonlySet<OverlayName>;
  /** Of the wall: whether cells in which nothing was found step back. */
  readonly onlyFound: boolean;
  /** Of the large view: whether each pixel of the output is one of the screen, and what stands beside it. */
  readonly inPixels: boolean;
  readonly beside: Beside | null;
}
export const FIRST_LOOK: Look = {
  view: "wall",
  overlays: new Set(),
  onlyFound: false,
  inPixels: false,
  beside: null,
};

/** The choices over the proofs. @param others the formats, and the versions, that can stand beside what is shown */
export function ProofBar({
  look,
  others,
  versions,
  onLook,
  children,
}: {
  look: Look;
  others: readonly FormatName[];
  versions: readonly ShownVersion[];
  onLook: (look: Look) => void;
  /** What is chosen there besides. */
  children: ReactNode;
}) {
  const { view, overlays, onlyFound, inPixels, beside } = look;
  const chooseView = (next: View): void => onLook({ ...look, view: next });
  const toggleOverlay = (name: OverlayName): void => {
    const next = new Set(overlays);
    if (!next.delete(name)) next.add(name);
    onLook({ ...look, overlays: next });
  };
  const toggleFound = (): void => onLook({ ...look, onlyFound: !onlyFound });
  const togglePixels = (): void => onLook({ ...look, inPixels: !inPixels });
  const chooseBeside = ({ target: { value } }: ChangeEvent<HTMLSelectElement>): void =>
    onLook({
      ...look,
      beside: others.find((one) => one === value) ?? versions.find((one) => valueOf(one) === value) ?? null,
    });
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px] text-[#12181a]">
      <ChoiceSwitch label="View" choices={VIEWS} words={VIEW_WORDS} value={view} onChoose={chooseView} />
      {children}
      {OVERLAYS.map((name) => (
        <ToggleButton key={name} on={overlays.has(name)} onToggle={() => toggleOverlay(name)}>
          {name}
        </ToggleButton>
      ))}
      {view === "wall" ? (
        <ToggleButton on={onlyFound} onToggle={toggleFound}>
          only with findings
        </ToggleButton>
      ) : (
        <>
          <ToggleButton on={inPixels} onToggle={togglePixels}>
            pixel for pixel
          </ToggleButton>
          <label className="flex items-center gap-1.5">
            beside
            <select
              value={beside === null ? "" : valueOf(beside)}
              onChange={chooseBeside}
              className="max-w-64 border border-[#5f625f] bg-[#d9d9d5] px-1.5 py-0.5"
            >
              <option value="">nothing</option>
              {others.map((one) => (
                <option key={one} value={one}>
                  {formatTitle(one)}
                </option>
              ))}
              {versions.length > 0 && (
                <optgroup label="As it was">
                  {versions.map((one) => (
                    <option key={one.revision} value={valueOf(one)}>
                      {titleOf(one)}
                    </option>
                  ))}
                </optgroup>
              )}
            </select>
          </label>
        </>
      )}
    </div>
  );
}

/** What the list calls it by. */
const valueOf = (beside: Beside): string => (typeof beside === "string" ? beside : `revision ${beside.revision}`);
