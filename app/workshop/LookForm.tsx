import { MOTIONS } from "../../core/motion/wordMotion";
import { FACE_ROLES, type FaceRole } from "../../core/brand/book";
import { type TemplateStyle } from "../../core/document/sceneTemplate";
import { JOINS } from "../../core/document/joins";
import { type Template } from "../../core/document/template";
import { WORDS_ROLES, type WordsRole } from "../../core/document/wordsRole";
import { faceOf } from "../../core/type/roles";
import { millis } from "../../core/units";
import { fieldLook } from "../components/fieldLook";
import { NumberField } from "./NumberField";

const TO_SECONDS = 1000;
/** What has no letters has no typeface. */
const LETTERED = WORDS_ROLES.filter((role) => role !== "stars" && role !== "link");

/** What belongs to all scenes of a template: what it is about, how it moves, its typefaces, its sound. */
export function LookForm({
  draft,
  onChange,
}: {
  draft: Template;
  onChange: (change: (before: Template) => Template) => void;
}) {
  const { style, sound } = draft;
  const withStyle = (change: Partial<TemplateStyle>): void =>
    onChange((before) => ({ ...before, style: { ...before.style, ...change } }));
  const used = LETTERED.filter((role) =>
    draft.scenes.some(({ slots }) => slots.some((slot) => slot.kind === "words" && slot.role === role)),
  );
  return (
    <div className="flex flex-col gap-4 text-[14px]">
      <label className="text-[13px] text-soft">
        What it does, in a sentence
        <textarea
          rows={2}
          maxLength={200}
          value={draft.about}
          onChange={(event) => onChange((before) => ({ ...before, about: event.target.value }))}
          className={`${fieldLook} mt-1`}
        />
      </label>
      <fieldset>
        <legend className="mb-2 w-full border-t border-rule pt-3 text-[16px] font-semibold">Movement</legend>
        <div className="grid grid-cols-2 items-end gap-x-4 gap-y-3">
          <label className="text-[13px] text-soft">
            Words come in
            <select
              value={style.motion}
              onChange={(event) =>
                withStyle({ motion: MOTIONS.find((one) => one === event.target.value) ?? style.motion })
              }
              className={`${fieldLook} mt-1`}
            >
              {MOTIONS.map((one) => (
                <option key={one} value={one}>
                  {MOTION_WORDS[one]}
                </option>
              ))}
            </select>
          </label>
          <label className="text-[13px] text-soft">
            One scene gives way to the next
            <select
              value={style.transition}
              onChange={(event) =>
                withStyle({ transition: JOINS.find((one) => one === event.target.value) ?? style.transition })
              }
              className={`${fieldLook} mt-1`}
            >
              {JOINS.map((one) => (
                <option key={one} value={one}>
                  {TRANSITION_WORDS[one]}
                </option>
              ))}
            </select>
          </label>
          <label className="col-span-2 flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-accent"
              checked={style.zoom}
              onChange={(event) => withStyle({ zoom: event.target.checked })}
            />{" "}
            Still pictures zoom slowly
          </label>
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-2 w-full border-t border-rule pt-3 text-[16px] font-semibold">Typefaces</legend>
        <div className="grid grid-cols-2 items-end gap-x-4 gap-y-3">
          {used.map((role) => (
            <label key={role} className="text-[13px] text-soft first-letter:uppercase">
              {role}
              <select
                value={style.faces[role] ?? ""}
                onChange={(event) =>
                  withStyle({
                    faces: withFace(style.faces, role, FACE_ROLES.find((one) => one === event.target.value) ?? null),
                  })
                }
                className={`${fieldLook} mt-1`}
              >
                <option value="">as usual: {FACE_WORDS[faceOf(role)]}</option>
                {FACE_ROLES.filter((one) => one !== faceOf(role)).map((one) => (
                  <option key={one} value={one}>
                    {FACE_WORDS[one]}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-2 w-full border-t border-rule pt-3 text-[16px] font-semibold">Music</legend>
        <div className="grid grid-cols-3 items-end gap-x-4 gap-y-3">
          <NumberField
            label="Fades in, seconds"
            least={0}
            most={10}
            step={0.1}
            value={sound.fadeIn / TO_SECONDS}
            onChange={(seconds) =>
              onChange((before) => ({ ...before, sound: { ...before.sound, fadeIn: millis(seconds * TO_SECONDS) } }))
            }
          />
          <NumberField
            label="Fades out, seconds"
            least={0}
            most={10}
            step={0.1}
            value={sound.fadeOut / TO_SECONDS}
            onChange={(seconds) =>
              onChange((before) => ({ ...before, sound: { ...before.sound, fadeOut: millis(seconds * TO_SECONDS) } }))
            }
          />
          <NumberField
            label="Loudness, LUFS"
            least={-30}
            most={-9}
            step={0.5}
            value={sound.loudness}
            onChange={(loudness) => onChange((before) => ({ ...before, sound: { ...before.sound, loudness } }))}
          />
        </div>
      </fieldset>
    </div>
  );
}

const MOTION_WORDS: Readonly<Record<TemplateStyle["motion"], string>> = {
  rise: "rising",
  fall: "falling",
  slide: "sliding from the left",
  "slide back": "sliding from the right",
  pop: "growing",
  spring: "springing",
  "come near": "coming nearer",
  drop: "dropping",
  swing: "swinging",
  "turn in": "turning",
  "fly up": "flying up",
  fade: "fading in",
  still: "at once",
};
const TRANSITION_WORDS: Readonly<Record<TemplateStyle["transition"], string>> = {
  crossfade: "by a crossfade",
  dip: "through a colour",
  slide: "by sliding over it",
  wipe: "by a wipe",
  push: "by pushing it out",
  reveal: "in a shape that grows",
  zoom: "by flying through it",
  blur: "Blur into each other",
  sweep: "behind a page of colour",
};
const FACE_WORDS: Readonly<Record<FaceRole, string>> = {
  headline: "headline face",
  text: "text face",
  figures: "figures face",
};

function withFace(faces: TemplateStyle["faces"], role: WordsRole, face: FaceRole | null): TemplateStyle["faces"] {
  const others = Object.fromEntries(Object.entries(faces).filter(([one]) => one !== role));
  return face === null ? others : { ...others, [role]: face };
}
