import { type BrandFacts } from "../document/facts";
import { type ResolvedScene } from "../document/resolve";
import { groundParts, rulePart } from "./groundParts";
import { logoPart, logoSlot } from "./logoPart";
import { pictureParts, pictureSlots } from "./pictureParts";
import { type PreparedScene, type ScenePart } from "./prepared";
import { isWatermarked } from "./sceneLayout";
import { setScene } from "./setScene";
import { watermark } from "./watermark";
import { movingParts, standingEntries, wordSlot } from "./wordParts";
import { type Typesetter } from "./wordsBlock";

const FIRST_ENTRANCE_MS = 120;
/** How much of a transition is over when the first words of the coming scene come in. */
const ENTRANCE_IN_TRANSITION = 0.6;

/** Where a scene stands among the others. */
export interface SceneTurn {
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

/**
 * Sets a scene in a shape, in five steps: its arrangement gives places, its columns of words are set, they are made
 * legible, everything becomes parts back to front, and what comes in gets its movement.
 */
export function prepareScene(
  scene: ResolvedScene,
  brand: BrandFacts,
  setter: Typesetter,
  { isFirst, isLast }: SceneTurn,
): PreparedScene {
  const { length, overlap, ground } = scene.template;
  const { layout, columns, backings } = setScene(scene, brand, setter);
  const standing = standingEntries(setter, columns, backings);
  const logo = layout.logo && logoPart(brand, layout.logo, setter.style);

  const unmarked = [
    ...pictureSlots(scene, layout),
    ...(logo ? [logoSlot("logo", scene.id, logo.place, logo.pad)] : []),
    ...standing.map((entry) => wordSlot(setter, scene.id, entry)),
  ];
  const { watermark: byHand } = scene.template.marks;
  const mark =
    brand.watermark && isWatermarked(scene, brand)
      ? watermark(brand, brand.watermark, { shape: setter.shape, slots: unmarked, byHand })
      : null;
  const parts: ScenePart[] = [
    ...groundParts(layout, setter.style, ground),
    ...pictureParts(scene, setter, layout, { columns, backings }),
    ...layout.rules.map((rule) => rulePart(rule, setter.style)),
    ...(logo ? [logo.part] : []),
    ...movingParts(setter, brand, standing, {
      from: isFirst ? FIRST_ENTRANCE_MS : overlap * ENTRANCE_IN_TRANSITION,
      length,
    }),
    ...(mark ? [mark.part] : []),
  ];
  const slots = mark ? [...unmarked, logoSlot("watermark", scene.id, mark.place)] : unmarked;
  return { slots, parts, length, leaves: !isLast };
}
