import { distance } from "fastest-levenshtein";
import { adjust, fillSlot } from "../document/edits";
import { type ResolvedScene } from "../document/resolve";
import { slotKey } from "../document/sceneTemplate";
import { millis } from "../units";
import { type CheckedPromotion, type WholeRule, everywhere } from "./finding";

/** Longer promotions lose those who watch (common practice for posts). */
const ADVISED_MS = 20_000;
/** A call to action is shown for so long at least (common practice). */
const CALL_MS = 3000;
const FIRST_SECOND_MS = 1000;

export const notTooLong: WholeRule = {
  id: "not-too-long",
  about: "A promotion is no longer than 20 seconds.",
  lookAtAll: ({ promotion: { length } }) =>
    length > ADVISED_MS
      ? [
          {
            severity: "advice",
            where: everywhere(null),
            words: `${(length / 1000).toFixed(1)} s is long: most people watch ${ADVISED_MS / 1000} s at the most`,
            numbers: { lengthMs: length, advisedMs: ADVISED_MS },
            cures: [],
          },
        ]
      : [],
};

const callOf = ({ template, words }: ResolvedScene) =>
  template.slots.find((slot) => slot.kind === "words" && slot.role === "call" && (words[slot.id] ?? "").trim() !== "");

export const callsToAct: WholeRule = {
  id: "calls-to-act",
  about: "A call to action is shown for 3 seconds.",
  lookAtAll: ({ promotion: { scenes, spans } }) => {
    const called = scenes.flatMap((scene, index) => {
      const [call, span] = [callOf(scene), spans[index]];
      return call && span ? [{ scene, call, stays: (spans[index + 1]?.start ?? span.end) - span.start }] : [];
    });
    const longest = called.reduce<(typeof called)[number] | null>(
      (best, one) => (best === null || one.stays > best.stays ? one : best),
      null,
    );
    if (longest === null)
      return [
        { severity: "warning", where: everywhere(null), words: "nothing says what to do now", numbers: {}, cures: [] },
      ];
    const { scene, call, stays } = longest;
    const missing = CALL_MS - stays;
    if (missing <= 0) return [];
    const { template } = scene;
    const edit = adjust("length", millis(template.length + Math.ceil(missing / 100) * 100), {
      target: { scene: template.id },
    });
    return [
      {
        severity: "warning",
        where: everywhere(scene.id, slotKey(template, call)),
        words: `the call to action stays ${(stays / 1000).toFixed(1)} s, not ${CALL_MS / 1000} s`,
        numbers: { staysMs: stays, leastMs: CALL_MS },
        cures: template.allows.timing ? [{ ...edit, label: "Make its scene longer" }] : [],
      },
    ];
  },
};

/** Who scrolls by decides in the first second. */
export const saysSomethingAtOnce: WholeRule = {
  id: "says-something-at-once",
  about: "Something can be read within the first second.",
  lookAtAll: ({ promotion: { scenes }, prepared }) => {
    const [first] = prepared.scenes;
    const comes = (first?.parts ?? []).some((part) => part.kind === "moving" && part.enters < FIRST_SECOND_MS);
    const says = first?.slots.some(({ kind, fitted }) => kind === "words" && fitted !== null) ?? false;
    return comes && says
      ? []
      : [
          {
            severity: "warning",
            where: everywhere(scenes[0]?.id ?? null),
            words: "nothing can be read in the first second",
            numbers: { withinMs: FIRST_SECOND_MS },
            cures: [],
          },
        ];
  },
};

export const movesAtOnce: WholeRule = {
  id: "moves-at-once",
  about: "Something moves within the first second.",
  lookAtAll: ({ promotion: { scenes }, prepared }) => {
    const moves = (prepared.scenes[0]?.parts ?? []).some(
      (part) =>
        part.kind === "filling" ||
        part.kind === "sounding" ||
        (part.kind === "moving" && part.motion !== "still" && part.enters < FIRST_SECOND_MS) ||
        (part.kind === "media" && part.track.some(({ what }) => what.plays || what.drift !== "none")),
    );
    const [first] = scenes;
    if (moves || !first) return [];
    return [
      {
        severity: "advice",
        where: everywhere(first.id),
        words: "nothing moves in the first second",
        numbers: { withinMs: FIRST_SECOND_MS },
        cures: first.template.allows.arrangement
          ? [{ ...adjust("motion", "rise", { target: { scene: first.id } }), label: "Let the words rise" }]
          : [],
      },
    ];
  },
};

export const picturesDiffer: WholeRule = {
  id: "pictures-differ",
  about: "Neighbouring scenes show different pictures.",
  lookAtAll: ({ promotion: { scenes } }) =>
    scenes.flatMap((scene, index) => {
      const before = new Set(mediaOf(scenes[index - 1]).map(({ media }) => media));
      const again = mediaOf(scene).find(({ media }) => before.has(media));
      return again
        ? [
            {
              severity: "advice" as const,
              where: everywhere(scene.id, again.slot),
              words: `shows the same as the scene before: ${again.name}`,
              numbers: {},
              cures: [],
            },
          ]
        : [];
    }),
};

const mediaOf = (scene: ResolvedScene | undefined) =>
  (scene?.template.slots ?? []).flatMap((slot) =>
    (scene?.shots[slot.id] ?? []).map(({ media }) => ({
      media: media.id,
      name: media.name,
      slot: slotKey(scene?.template ?? { id: "" }, slot),
    })),
  );

/** A name of fewer letters is like too many words. */
const LEAST_NAME = 5;

export const brandSpelt: WholeRule = {
  id: "brand-spelt",
  about: "The brand's name is spelt as in the brand book.",
  lookAtAll: (checked) => {
    // Names of several words are looked for by their first, which is what tells them.
    const [name = ""] = checked.promotion.facts.brand.name.split(/\s+/);
    return name.length < LEAST_NAME ? [] : checked.promotion.scenes.flatMap((scene) => misspelt(checked, scene, name));
  },
};

function misspelt({ document }: CheckedPromotion, scene: ResolvedScene, name: string) {
  return scene.template.slots.flatMap((slot) => {
    const key = slotKey(scene.template, slot);
    const fill = document.fills[key];
    if (slot.kind !== "words" || fill?.kind !== "words") return [];
    const wrong = fill.text.match(/\p{L}+/gu)?.find((word) => word !== name && isLike(word, name));
    return wrong === undefined
      ? []
      : [
          {
            severity: "warning" as const,
            where: everywhere(scene.id, key),
            words: `“${wrong}” is not how “${name}” is spelt`,
            numbers: {},
            cures: [
              {
                ...fillSlot(key, { kind: "words", text: fill.text.replace(wrong, name) }),
                label: `Write “${name}”`,
              },
            ],
          },
        ];
  });
}

/** Whether a word is meant to be another: one or two letters differ, are missing or too many. */
function isLike(word: string, name: string): boolean {
  const [one, other] = [word.toLowerCase(), name.toLowerCase()];
  // With an ending it is the name still.
  if (word.startsWith(name) || Math.abs(one.length - other.length) > 2) return false;
  return one === other
    ? word !== word.toUpperCase() && word !== one
    : distance(one, other) <= (name.length > 7 ? 2 : 1);
}
