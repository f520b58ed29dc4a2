import { type ChangeEvent } from "react";
import { type SoundFacts } from "../../core/document/facts";
import { GAINS, SHORTEST_PIECE_MS, heardFor } from "../../core/document/lanes";
import { type PieceChange, changeSound, splitSound } from "../../core/document/soundEdits";
import { hearTake } from "../../core/document/takeEdits";
import { decibelsOf, factorOf } from "../../core/sound/decibels";
import { takenToEndOnBar } from "../../core/sound/endOnBar";
import { FADE_CURVES } from "../../core/sound/fadeCurves";
import { millis } from "../../core/units";
import { fieldLook } from "../components/fieldLook";
import { SoundOptions } from "../desk/SoundOptions";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";
import { SoundPoints } from "./SoundPoints";
import { Takes } from "./Takes";
import { VoiceFields } from "./VoiceFields";
import { TimeField } from "./TimeField";
import { useSoundBeats } from "./useBeats";
import { type SoundPieceProps } from "./soundPieceProps";

const FIELD = "text-[12.5px] text-soft";
const MOST_PERCENT = 1000;
/** What is heard under all scenes, among their ids. */
const ALL = "@all";
/** Where music ends with a bar it ends at once, but for what spares a click. */
const ON_BAR_FADE_MS = 150;

/** Where a piece of sound lies, what of it is heard, how loud, and what it is made to sound like. */
export function PieceFields({
  document,
  promotion,
  sounds,
  onChosen,
  piece,
  time,
  sound,
  name,
  onAgain,
  onEdit,
}: SoundPieceProps & { sound: SoundFacts; name: string }) {
  const { at = 0, from = 0, gain = 0, curve = "even", loop, lane } = piece;
  const { base, length } = promotion;
  const usual = lane === "music" ? base.sound : { fadeIn: 0, fadeOut: 0 };
  const lasts = heardFor(piece, sound, length);
  const set = (change: PieceChange): void => {
    const edit = changeSound(document, piece.id, change);
    if (edit) onEdit(edit);
  };
  const setTime =
    (key: "at" | "from" | "length" | "fadeIn" | "fadeOut", least = 0) =>
    (ms: number): void =>
      set({ [key]: millis(Math.max(least, Math.round(ms))) });
  const recordAgain = (): void => onAgain(piece);
  const split = splitSound(document, promotion.facts, piece.id, time, length);
  const cut = (): void => {
    if (split) onEdit(split);
  };
  const fit = (): void => set({ at: null, length: null, loop: loopFor(length) });
  const beats = useSoundBeats(lane === "music" ? piece.media : undefined);
  const toEnd = length - at;
  const onBar = beats && takenToEndOnBar(beats, { from, lasts: toEnd, length: sound.length });
  const endOnBar = (): void => {
    if (onBar === null) return;
    set({ from: onBar > 0 ? millis(onBar) : null, length: null, loop: null, fadeOut: millis(ON_BAR_FADE_MS) });
  };
  const again = (): void => set({ loop: loop ? null : true });
  /** From where a scene begins to where it ends, or all along. */
  function hearUnder({ target: { value } }: ChangeEvent<HTMLSelectElement>): void {
    const span = promotion.spans[promotion.scenes.findIndex(({ id }) => id === value)];
    if (value === ALL) fit();
    else if (span) {
      const lastsThere = millis(Math.round(span.end - span.start));
      set({
        at: span.start > 0 ? millis(Math.round(span.start)) : null,
        length: lastsThere,
        loop: loopFor(lastsThere),
      });
    }
  }
  /** Where a sound is shorter than what it is heard under, it begins again. */
  const loopFor = (ms: number): true | null => (sound.length - from < ms ? true : null);
  /** Where it lies stays; what is heard of the other is heard from its beginning. */
  function replace({ target: { value } }: ChangeEvent<HTMLSelectElement>): void {
    const item = sounds.find(({ facts }) => facts.id === value);
    if (!item) return;
    onChosen(item);
    const edit = hearTake(document, piece.id, item.facts.id);
    if (edit) onEdit(edit);
  }
  return (
    <div className="flex flex-col gap-2 border-t border-rule px-2.5 py-2">
      <div className="grid grid-cols-3 gap-2">
        <TimeField label={`${name} begins at`} shortLabel="Begins at" value={at} onTime={setTime("at")} />
        <TimeField label={`${name} is taken from`} shortLabel="Taken from" value={from} onTime={setTime("from")} />
        <TimeField
          label={`${name} is heard for`}
          shortLabel="Heard for"
          value={Math.round(lasts)}
          onTime={setTime("length", SHORTEST_PIECE_MS)}
        />
        <NumberField
          label="dB"
          {...GAINS}
          value={Number(gain.toFixed(2))}
          onChange={(decibels) => set({ gain: decibels === 0 ? null : decibels })}
          className={FIELD}
        />
        <NumberField
          label="or per cent"
          least={1}
          most={MOST_PERCENT}
          value={Math.round(factorOf(gain) * 100)}
          onChange={(percent) => set({ gain: Number(decibelsOf(percent / 100).toFixed(2)) })}
          className={FIELD}
        />
        <ChoiceField
          label="It fades"
          value={curve}
          choices={FADE_CURVES}
          onChange={(one) => set({ curve: one === "even" ? null : one })}
          className={FIELD}
        />
        <TimeField
          label={`${name} fades in for`}
          shortLabel="Fades in"
          value={piece.fadeIn ?? usual.fadeIn}
          onTime={setTime("fadeIn")}
        />
        <TimeField
          label={`${name} fades out for`}
          shortLabel="Fades out"
          value={piece.fadeOut ?? usual.fadeOut}
          onTime={setTime("fadeOut")}
        />
      </div>
      <label className={FIELD}>
        Heard under
        <select aria-label={`${name} is heard under`} value="" onChange={hearUnder} className={fieldLook}>
          <option value="">from {(at / 1000).toFixed(2)} s on</option>
          <option value={ALL}>all of it</option>
          {promotion.scenes.map(({ id, template }, index) => (
            <option key={id} value={id}>
              {index + 1} · {template.name}
            </option>
          ))}
        </select>
      </label>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[12.5px] text-soft">
        <label className="flex min-h-6 items-center gap-1.5">
          <input type="checkbox" className="accent-accent" checked={loop === true} onChange={again} />
          begins again at its end
        </label>
        {lane === "music" && (
          <button type="button" onClick={fit} className="underline hover:text-accent">
            As long as the promotion
          </button>
        )}
        {onBar !== null && (
          <button
            type="button"
            title="Taken from where one of its bars ends with the promotion"
            onClick={endOnBar}
            className="underline hover:text-accent"
          >
            End with a bar
          </button>
        )}
        <button
          type="button"
          disabled={!split}
          onClick={cut}
          className="underline hover:text-accent disabled:text-soft disabled:no-underline"
        >
          Split here
        </button>
      </div>
      {lane === "voice" && (
        <button
          type="button"
          onClick={recordAgain}
          className="self-start text-[12.5px] text-soft underline hover:text-accent"
        >
          Record it again
        </button>
      )}
      {lane === "voice" && <VoiceFields piece={piece} name={name} onChange={set} />}
      <Takes document={document} promotion={promotion} piece={piece} name={name} onEdit={onEdit} />
      <label className={FIELD}>
        {lane === "voice" ? "Heard instead: another take" : "Heard instead"}
        <select aria-label={`Heard instead of ${name}`} value="" onChange={replace} className={fieldLook}>
          <option value="">{sound.name.replace(/\.\w+$/, "")}</option>
          <SoundOptions sounds={sounds} />
        </select>
      </label>
      <SoundPoints name={name} piece={piece} time={time - at} lasts={lasts} onChange={set} />
    </div>
  );
}
