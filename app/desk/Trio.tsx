import { type ReactNode, useMemo } from "react";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { hang } from "../../core/placement/wall";
import { useSize } from "../components/useSize";
import { FormatChoice } from "./FormatChoice";
import { ProofScreen, type ProofScreenProps } from "./ProofScreen";
import { useProofState } from "./useProof";

interface TrioProps extends Omit<ProofScreenProps, "format"> {
  readonly formats: readonly FormatName[];
  readonly onFormats: (formats: readonly FormatName[]) => void;
  /** What can be done with several at once. */
  readonly tools?: ReactNode;
}

/** The height of a proof's caption, its margin included. */
const LABEL = 26;

/** All formats, in step, on neutral grey. A click says which slot it hit; the slot in hand is outlined. */
export function Trio({ formats, onFormats, tools, ...props }: TrioProps) {
  const { engine } = props;
  const problem = useProofState(engine, (state) => state.problem);
  const { ref, width, height } = useSize();
  const places = useMemo(
    () => hang(formats.map(formatOf), { width, height, gap: 18, label: LABEL }),
    [formats, width, height],
  );
  return (
    <div className="relative flex h-full min-h-0 min-w-0 flex-col overflow-hidden bg-proof p-5 pb-11 max-lg:h-[48vh] max-lg:flex-none">
      {problem && (
        <p role="alert" className="absolute inset-x-5 top-2 z-10 bg-wrong-pale px-3 py-2 text-sm text-wrong">
          {problem}
        </p>
      )}
      <div ref={ref} className="relative min-h-0 flex-1">
        {formats.map((format, index) => {
          const place = places[index];
          return (
            place && (
              <div
                key={format}
                className="absolute"
                style={{ left: place.x, top: place.y - LABEL, width: place.width }}
                hidden={width === 0}
              >
                <ProofScreen {...props} format={format} />
              </div>
            )
          );
        })}
      </div>
      {tools && <div className="absolute bottom-11 left-3 z-10">{tools}</div>}
      <div className="absolute right-3 bottom-2">
        <FormatChoice formats={formats} onFormats={onFormats} />
      </div>
    </div>
  );
}
