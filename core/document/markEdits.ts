import { type Rect, centreOf, rect } from "../geometry/rect";
import { type FormatName } from "../placement/formats";
import { LEAST_SIDE } from "../placement/leastSide";
import { adjustmentKey, formatsSet, nearest, readAdjustmentKey } from "./adjustments";
import { type BrandMark, PLACE_OF_MARK } from "./brandMark";
import { type Edit, together } from "./edit";
import { adjust, giveBack } from "./edits";
import { FIELDS } from "./fields";
import { grownAsPulled } from "./itemEdits";
import { type Promotion } from "./promotion";

/** A mark of the brand in a scene. */
export interface MarkInScene {
  readonly mark: BrandMark;
  /** The scene's id. */
  readonly scene: string;
}

/** Places a mark by hand in a scene, in a format. It is as large as its proportions let it be there. */
export const placeMark = ({ mark, scene }: MarkInScene, format: FormatName, place: Rect): Edit =>
  adjust(PLACE_OF_MARK[mark], place, { target: { scene }, layer: "scene@format", format });

/**
 * Puts a mark where its place was dragged to. Its proportions stay: it follows the side that was pulled further. What it
 * goes on from is where it was put last, since what is on screen may lag behind keys that are pressed quickly.
 * @param from its place as it was taken hold of, in design units of the format
 * @param to as it was let go
 */
export function moveMark(
  { adjustments }: Pick<Promotion, "adjustments">,
  at: MarkInScene,
  { format, from, to }: { readonly format: FormatName; readonly from: Rect; readonly to: Rect },
): Edit {
  const target = { scene: at.scene };
  const set = nearest(adjustments, PLACE_OF_MARK[at.mark], { target, format, isLocked: false })?.value ?? from;
  const grown = grownAsPulled(from, to);
  const [before, after, middle] = [centreOf(from), centreOf(to), centreOf(set)];
  // A mark stands in the middle of its place, so a place that is too flat to be kept may be higher than the mark is.
  const [width, height] = [Math.max(LEAST_SIDE, set.width * grown), Math.max(LEAST_SIDE, set.height * grown)];
  const place = rect(
    middle.x + after.x - before.x - width / 2,
    middle.y + after.y - before.y - height / 2,
    width,
    height,
  );
  return placeMark(at, format, place);
}

/**
 * Has a mark stand in every scene where it stands in one, in each format in which it was placed there. What other scenes
 * had of their own gives way. Null where it was not placed in that scene.
 */
export function placeMarkEverywhere({ adjustments }: Pick<Promotion, "adjustments">, at: MarkInScene): Edit | null {
  const id = PLACE_OF_MARK[at.mark];
  const target = { scene: at.scene };
  const edits = formatsSet(adjustments).flatMap((format): Edit[] => {
    const place = adjustments[adjustmentKey(target, "scene@format", format)]?.[id];
    if (!place) return [];
    return [
      ...scenesWith({ adjustments }, at.mark, format).map((scene) =>
        adjust(id, null, { target: { scene }, layer: "scene@format", format }),
      ),
      adjust(id, place, { target, layer: "@format", format }),
    ];
  });
  return edits.length > 0 ? together(FIELDS[id].field.label, edits) : null;
}

/** The scenes that have a place of their own for a mark, in a format. */
const scenesWith = ({ adjustments }: Pick<Promotion, "adjustments">, mark: BrandMark, wanted: FormatName): string[] =>
  Object.keys(adjustments).flatMap((key) => {
    const { target, format } = readAdjustmentKey(key);
    const isScene = target !== null && "scene" in target && target.slot === undefined;
    return isScene && format === wanted && adjustments[key]?.[PLACE_OF_MARK[mark]] ? [target.scene] : [];
  });

/**
 * Gives a mark back to its usual place: that of the scene, or, where the scene has none of its own, that of all scenes.
 * Null where it was placed in neither.
 */
export function giveMarkBack(document: Promotion, { mark, scene }: MarkInScene): Edit | null {
  const id = PLACE_OF_MARK[mark];
  const target = { scene };
  const ofAll = formatsSet(document.adjustments)
    .filter((format) => document.adjustments[adjustmentKey(target, "@format", format)]?.[id])
    .map((format) => adjust(id, null, { target, layer: "@format", format }));
  return giveBack(document, id, target) ?? (ofAll.length > 0 ? together(FIELDS[id].field.label, ofAll) : null);
}
