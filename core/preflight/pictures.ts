import { CLEAREST } from "../document/arrangements";
import { targetOf } from "../document/adjustments";
import { type Edit } from "../document/edit";
import { adjust, giveAllBack } from "../document/edits";
import { type FieldId } from "../document/fields";
import { type SlotKey, slotKey } from "../document/sceneTemplate";
import { SEEN_FROM, type SourceQuality } from "../picture/sourceQuality";
import { contains, freeSides, rect } from "../geometry/rect";
import { framedIn } from "../scene/framedMedia";
import { type FramedNumbers, type PlacedSlot } from "../scene/prepared";
import { type CheckedScene, type Found, type SceneRule } from "./finding";

/** Pixels shown larger than this are seen (the trade's rule of thumb for photographs on screens). */
export const MOST_ENLARGED = 1.5;
/** A bar narrower than this looks like a fault, in design units. */
const SLIVER = 6;

type Framed = PlacedSlot & { readonly framed: FramedNumbers };
const framedSlots = ({ prepared: { slots } }: CheckedScene): Framed[] =>
  slots.filter((slot): slot is Framed => slot.framed !== undefined);

/** Gives some fields of a slot back; no cure where none was set. */
function givenBack({ document }: CheckedScene, slot: SlotKey, ids: readonly FieldId[], label: string): Edit[] {
  const edit = giveAllBack(document, ids, { target: targetOf(slot), label });
  return edit ? [edit] : [];
}

/** Whether a picture would be small enough if it were neither enlarged nor cut. */
function isSmallerPlain({ scene, prepared }: CheckedScene, key: SlotKey): boolean {
  const { slot } = targetOf(key);
  const media = scene.shots[slot]?.[0]?.media;
  const framing = scene.template.framings[slot];
  const place = prepared.slots.find((one) => one.key === key && one.kind === "picture")?.place;
  if (!media || !framing || !place) return false;
  return framedIn(media, place, { ...framing, enlarged: 1, window: null }).scale <= MOST_ENLARGED;
}

/** No picture is shown so large that its pixels are seen. */
export const notEnlarged: SceneRule = {
  id: "picture-enlarged",
  about: "Pictures are shown at no more than one and a half times their own pixels, at 1080p.",
  isByFormat: true,
  look: (checked) =>
    framedSlots(checked)
      .filter(({ framed: { scale } }) => scale > MOST_ENLARGED)
      .map(({ key, framed: { scale } }): Found => ({
        severity: "warning",
        slot: key,
        words: `shown at ${Math.round(scale * 100)} % of its pixels: it will look soft`,
        numbers: { percentOfPixels: Math.round(scale * 100), most: MOST_ENLARGED * 100 },
        cures: isSmallerPlain(checked, key)
          ? givenBack(checked, key, ["enlarged", "window"], "Show it no larger than it must be")
          : [],
      })),
};

/** What a picture is of stays in sight. */
export const subjectInSight: SceneRule = {
  id: "subject-in-sight",
  about: "The subject of every picture is in sight.",
  isByFormat: true,
  look: (checked) =>
    framedSlots(checked)
      .filter(({ framed: { subject } }) => subject === null)
      .map(({ key, framed: { lost } }): Found => ({
        severity: "warning",
        slot: key,
        words: "its subject is cropped away",
        numbers: { partLostPercent: Math.round(lost * 100) },
        cures: givenBack(checked, key, ["point", "window"], "Keep the subject in the middle"),
      })),
};

/** Has the words of a scene stand clear of its picture's subject, where its arrangement can. */
function clearOf({ scene: { template } }: CheckedScene): Edit[] {
  const { arrangement, allows, id } = template;
  if (arrangement.name !== "full-picture" || arrangement.words === CLEAREST || !allows.arrangement) return [];
  const edit = adjust("arrangement", { ...arrangement, words: CLEAREST }, { target: { scene: id } });
  return [{ ...edit, label: "Let them stand at the clearest place" }];
}

/** Words do not lie on what a picture is of. */
export const subjectUncovered: SceneRule = {
  id: "subject-uncovered",
  about: "No words lie on the subject of a picture.",
  isByFormat: true,
  look: (checked) => {
    const words = checked.prepared.slots.filter(({ kind, fitted }) => kind === "words" && fitted !== null);
    return framedSlots(checked).flatMap(({ key, framed: { subject } }): Found[] => {
      const over = subject && words.find(({ place }) => contains(place, rect(subject.x, subject.y, 0, 0)));
      return over
        ? [
            {
              severity: "advice",
              slot: key,
              words: `words lie on its subject: “${over.text}”`,
              numbers: { acrossUnits: Math.round(subject.x), downUnits: Math.round(subject.y) },
              cures: clearOf(checked),
            },
          ]
        : [];
    });
  },
};

const FAULTS: Readonly<Record<keyof SourceQuality, string>> = {
  blur: "is blurred",
  noise: "is noisy",
  bands: "shows bands where it should change smoothly",
};

/** What is shown is worth showing. */
export const sourceGood: SceneRule = {
  id: "source-good",
  about: "No picture or clip is blurred, noisy or banded.",
  isByFormat: false,
  look: ({ scene }) =>
    scene.template.slots.flatMap((slot) =>
      (scene.shots[slot.id] ?? []).flatMap(({ media: { name, quality } }): Found[] => {
        const faults = quality ? faultsOf(quality) : [];
        return quality && faults.length > 0
          ? [
              {
                severity: "advice",
                slot: slotKey(scene.template, slot),
                words: `“${name}” ${faults.map((fault) => FAULTS[fault]).join(" and ")}: choose a better one`,
                numbers: Object.fromEntries(faults.map((fault) => [fault, quality[fault]])),
                cures: [],
              },
            ]
          : [];
      }),
    ),
};

const faultsOf = (quality: SourceQuality): (keyof SourceQuality)[] =>
  (["blur", "noise", "bands"] as const).filter((fault) => quality[fault] >= SEEN_FROM[fault]);

/** A picture fills its place, or leaves a bar that is meant to be there. */
export const noSliver: SceneRule = {
  id: "no-sliver",
  about: "No picture leaves a sliver free at the edge of its place.",
  isByFormat: true,
  look: (checked) =>
    framedSlots(checked).flatMap(({ key, framed: { bars } }): Found[] => {
      const thin = freeSides(bars).find(({ length }) => length < SLIVER);
      return thin
        ? [
            {
              severity: "warning",
              slot: key,
              words: `leaves ${thin.length.toFixed(1)} units free at its ${thin.side}`,
              numbers: { units: Math.round(thin.length * 10) / 10 },
              cures: [
                adjust("way", "fill", { target: targetOf(key), layer: "scene@format", format: checked.format }),
              ].map((edit) => ({ ...edit, label: "Fill the place" })),
            },
          ]
        : [];
    }),
};
