import { adjust } from "../document/edits";
import { targetOf } from "../document/adjustments";
import { type MediaSlot, type WordsSlot, slotKey } from "../document/sceneTemplate";
import { type CheckedScene, type Found, type SceneRule } from "./finding";

/** Everything that has to be there is there. */
export const slotsFilled: SceneRule = {
  id: "slots-filled",
  about: "Every slot that the template needs is filled.",
  isByFormat: false,
  look: (checked) =>
    checked.scene.template.slots.flatMap((slot): Found[] => {
      if (!slot.required || (slot.kind !== "words" && slot.kind !== "media")) return [];
      const key = slotKey(checked.scene.template, slot);
      const isEmpty =
        slot.kind === "media"
          ? (checked.scene.shots[slot.id] ?? []).length === 0
          : (checked.scene.words[slot.id] ?? "").trim() === "";
      return isEmpty
        ? [
            {
              severity: "wrong",
              slot: key,
              words: slot.kind === "media" ? "no picture or clip is in it" : "nothing is written in it",
              numbers: {},
              cures: takenOut(slot, key),
            },
          ]
        : [];
    }),
};

function takenOut(slot: WordsSlot | MediaSlot, key: ReturnType<typeof slotKey>): Found["cures"] {
  return slot.allows.remove ? [{ ...adjust("hidden", true, { target: targetOf(key) }), label: "Take it out" }] : [];
}

/** Words that came with the template are not posted by mistake. */
export const ownWords: SceneRule = {
  id: "own-words",
  about: "No words are left over from the template.",
  isByFormat: false,
  look: ({ scene, document }: CheckedScene) =>
    scene.template.slots.flatMap((slot): Found[] => {
      const key = slotKey(scene.template, slot);
      // What is the template's and may not be changed is meant to be so.
      if (slot.kind !== "words" || !slot.allows.content || slot.binding !== undefined) return [];
      const shown = scene.words[slot.id] ?? "";
      return shown.trim() !== "" && shown === slot.fallback && !Object.hasOwn(document.fills, key)
        ? [
            {
              severity: "advice",
              slot: key,
              words: `“${shown}” came with the template`,
              numbers: {},
              cures: [],
            },
          ]
        : [];
    }),
};

/** Pictures that came with the template are not posted by mistake. */
export const ownMedia: SceneRule = {
  id: "own-media",
  about: "No picture or clip is left over from the template.",
  isByFormat: false,
  look: ({ scene, document }: CheckedScene) =>
    scene.template.slots.flatMap((slot): Found[] => {
      const key = slotKey(scene.template, slot);
      if (slot.kind !== "media" || !slot.allows.content || slot.media === undefined) return [];
      const [shot] = scene.shots[slot.id] ?? [];
      return shot?.media.id === slot.media && !Object.hasOwn(document.fills, key)
        ? [
            {
              severity: "advice",
              slot: key,
              words: `“${shot.media.name}” came with the template`,
              numbers: {},
              cures: [],
            },
          ]
        : [];
    }),
};
