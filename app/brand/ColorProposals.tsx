import { type ColorRole } from "../../core/color/palette";

/** Colours that were found in a picture. */
export interface Proposal {
  /** What they were found in, as people call it. */
  readonly from: string;
  readonly colors: readonly string[];
}

/** Colours found in the logo and in pictures, to take for the role that was last touched. */
export function ColorProposals({
  proposals,
  role,
  onTake,
}: {
  proposals: readonly Proposal[];
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
