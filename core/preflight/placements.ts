import { markOfKey } from "../document/brandMark";
import { removePlacement } from "../document/edits";
import { placementsOf } from "../document/placementsPart";
import { type Rect, shareIn } from "../geometry/rect";
import { FILE_KINDS } from "../output/fileKinds";
import { furnitureOf } from "../placement/placements";
import { type PlacedSlot } from "../scene/prepared";
import { type WholeRule, everywhere } from "./finding";
import { lettersPlace } from "./lettersPlace";
import { placeCures } from "./placeCures";

/** So little of something may lie under what a channel draws: edges are drawn softly there. */
const COVERED = 0.03;

/** What must be seen of a slot, as a sentence begins, and where it stands. */
function seenOf(slot: PlacedSlot): { readonly what: string; readonly place: Rect } | null {
  const mark = markOfKey(slot.key);
  if (mark) return slot.place.width > 0 ? { what: `the ${mark.mark}`, place: slot.place } : null;
  const letters = lettersPlace(slot);
  return letters && letters.width * letters.height > 0 ? { what: `“${slot.text}”`, place: letters } : null;
}

export const clearOfFurniture: WholeRule = {
  id: "clear-of-furniture",
  about: "Words and the logo are not covered by what a chosen placement draws over the picture.",
  lookAtAll: ({ document, promotion: { scenes, facts }, formats }) =>
    placementsOf(document, facts).flatMap((placement) => {
      const prepared = formats.find(({ format }) => format === placement.format);
      const furniture = furnitureOf(placement);
      return (prepared?.scenes ?? []).flatMap(({ slots }, index) =>
        slots.flatMap((slot) => {
          const seen = seenOf(slot);
          if (!seen) return [];
          const covers = furniture.map(({ what, place }) => ({ what, share: shareIn(place, seen.place) }));
          const most = covers.reduce((one, other) => (other.share > one.share ? other : one), { what: "", share: 0 });
          if (most.share <= COVERED) return [];
          const percent = Math.round(most.share * 100);
          return [
            {
              severity: "warning" as const,
              where: { scene: scenes[index]?.id ?? null, format: placement.format, slot: slot.key },
              words: `${seen.what} is covered to ${percent} % by the ${most.what} of ${placement.title}`,
              numbers: { coveredPercent: percent },
              cures: placeCures(document, slot.key, placement.format),
            },
          ];
        }),
      );
    }),
};

export const fitsPlacements: WholeRule = {
  id: "fits-placements",
  about: "A promotion is no longer and no shorter than each of its placements allows.",
  lookAtAll: ({ document, promotion: { length, facts } }) =>
    placementsOf(document, facts)
      // A still has no length.
      .filter(({ kinds }) => kinds.some((kind) => FILE_KINDS[kind].isMoving))
      .flatMap(({ id, title, longest, shortest }) => {
        const isLonger = longest !== null && length > longest * 1000;
        const isShorter = shortest !== null && length < shortest * 1000;
        if (!isLonger && !isShorter) return [];
        const [limit, how] = isLonger ? [longest, "longer"] : [shortest ?? 0, "shorter"];
        return [
          {
            severity: "wrong" as const,
            where: everywhere(null),
            words: `${(length / 1000).toFixed(1)} s is ${how} than ${title} allows: ${limit} s`,
            numbers: { lengthMs: length, [isLonger ? "mostMs" : "leastMs"]: limit * 1000 },
            cures: [{ ...removePlacement(id), label: `Leave ${title} out` }],
          },
        ];
      }),
};
