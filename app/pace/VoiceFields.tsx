import { type ListedPiece, type PieceChange } from "../../core/document/soundEdits";
import { CHARACTERS, CLEANINGS, type Character, type Cleaning } from "../../core/sound/treatment";
import { ChoiceField } from "../workshop/ChoiceField";

const CLEANING_WORDS: Readonly<Record<Cleaning, string>> = {
  hum: "hum",
  hiss: "hiss",
  gate: "noise in pauses",
  even: "uneven loudness",
};
const CHARACTER_WORDS: Readonly<Record<Character, string>> = {
  deeper: "deeper",
  lighter: "lighter",
  telephone: "by telephone",
  room: "in a room",
};
const AS_IT_IS = "as recorded";
const CHOICES = [[AS_IT_IS, AS_IT_IS] as const, ...CHARACTERS.map((one) => [one, CHARACTER_WORDS[one]] as const)];

/** What is cleaned up in a voice, and what it is made to sound like. */
export function VoiceFields({
  name,
  piece: { cleaned = [], character },
  onChange,
}: {
  name: string;
  piece: ListedPiece;
  onChange: (change: PieceChange) => void;
}) {
  const choose = (one: Character | typeof AS_IT_IS): void => onChange({ character: one === AS_IT_IS ? null : one });
  return (
    <div className="flex flex-col gap-2 text-[12.5px] text-soft">
      <fieldset>
        <legend className="mb-1">Clean up in {name}</legend>
        <div className="grid grid-cols-2 gap-x-3">
          {CLEANINGS.map((one) => {
            const isOn = cleaned.includes(one);
            const toggle = (): void => {
              const next = CLEANINGS.filter((other) => (other === one ? !isOn : cleaned.includes(other)));
              onChange({ cleaned: next.length > 0 ? next : null });
            };
            return (
              <label key={one} className="flex min-h-6 items-center gap-1.5">
                <input type="checkbox" className="accent-accent" checked={isOn} onChange={toggle} />
                {CLEANING_WORDS[one]}
              </label>
            );
          })}
        </div>
      </fieldset>
      <ChoiceField
        label="The voice sounds"
        value={character ?? AS_IT_IS}
        choices={CHOICES}
        onChange={choose}
        className="text-[12.5px] text-soft"
      />
    </div>
  );
}
