import { type ChangeEvent } from "react";
import { type CutChange } from "../../core/document/cutEdits";
import { type ClipFacts } from "../../core/document/facts";
import { SPEEDS, type ShotCut, meanSpeed, speedsOf } from "../../core/document/shots";
import { type Keeps, type Speeds } from "../../core/pace/shotTimes";
import { NumberField } from "../workshop/NumberField";

const FIELD = "text-[12.5px] text-soft";
const STEP = 0.01;

/** How fast a clip passes: at the start of its shot and at its end, how high it sounds then, and what is seen between its frames. */
export function ShotSpeed({
  cut,
  clip,
  keeps,
  onSpeeds,
  onCut,
}: {
  cut: ShotCut;
  clip: ClipFacts;
  keeps: Keeps;
  onSpeeds: (speeds: Speeds, keeps: Keeps) => void;
  onCut: (change: CutChange) => void;
}) {
  const { first, last } = speedsOf(cut);
  const isSteady = first === last;
  // While it is steady, its end goes with its start.
  const setFirst = (speed: number): void => onSpeeds({ first: speed, last: isSteady ? speed : last }, keeps);
  const setLast = (speed: number): void => onSpeeds({ first, last: speed }, keeps);
  const keepPitch = ({ target }: ChangeEvent<HTMLInputElement>): void =>
    onCut({ pitchKept: target.checked ? true : null });
  const blend = ({ target }: ChangeEvent<HTMLInputElement>): void => onCut({ blended: target.checked ? true : null });
  return (
    <>
      <div className="mt-1.5 grid grid-cols-2 gap-2">
        <NumberField
          label="Speed, times"
          least={SPEEDS.least}
          most={SPEEDS.most}
          step={STEP}
          value={first}
          onChange={setFirst}
          className={FIELD}
        />
        <NumberField
          label="at its end"
          least={SPEEDS.least}
          most={SPEEDS.most}
          step={STEP}
          value={last}
          onChange={setLast}
          className={FIELD}
        />
      </div>
      <div className="mt-1.5 flex flex-wrap items-center gap-x-3 gap-y-1 text-[12.5px] text-soft">
        {clip.hasSound && (first !== 1 || !isSteady) && (
          <label className="flex min-h-6 items-center gap-1.5" title={isSteady ? undefined : PITCH_GOES}>
            <input
              type="checkbox"
              className="accent-accent"
              disabled={!isSteady}
              checked={cut.pitchKept === true && isSteady}
              onChange={keepPitch}
            />
            sounds as high as it was{isSteady ? "" : " (at one speed only)"}
          </label>
        )}
        {meanSpeed(cut) < 1 && (
          <label className="flex min-h-6 items-center gap-1.5">
            <input type="checkbox" className="accent-accent" checked={cut.blended === true} onChange={blend} />
            blend frames
          </label>
        )}
      </div>
    </>
  );
}

const PITCH_GOES = "Where the speed changes, the pitch goes with it.";
