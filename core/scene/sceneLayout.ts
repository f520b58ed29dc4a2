import { arrange } from "../arrangement/arrange";
import { type Layout } from "../arrangement/layout";
import { type BrandFacts, type ClipFacts, type PictureFacts } from "../document/facts";
import { type ResolvedScene, type ResolvedShot } from "../document/resolve";
import { type SlotFraming } from "../document/slotFraming";
import { type MediaSlot } from "../document/sceneTemplate";
import { type ColorRole } from "../color/palette";
import { wholeOf } from "../geometry/rect";
import { entriesOf } from "./entries";
import { placedByHand } from "./placedByHand";
import { type Typesetter } from "./wordsBlock";

/** A picture slot that is shown, with what is in it. */
export interface ShownMedia {
  readonly slot: MediaSlot;
  /** What the scene is laid out for; null where nothing is in it. */
  readonly media: PictureFacts | ClipFacts | null;
  readonly shots: readonly ResolvedShot[];
  /** How it is framed; null where the arrangement says so. */
  readonly framing: SlotFraming | null;
  /** A picture that is seen beside it. */
  readonly behind: PictureFacts | ClipFacts | null;
}

/** Where everything of a scene goes, with the pictures it was laid out for. */
export type SceneLayout = Layout & {
  readonly shown: readonly ShownMedia[];
  /** The scene's own ground. */
  readonly ground: ColorRole;
};

/** Asks a scene's arrangement for places in the shape, and puts what was moved by hand where it was moved to. */
export function sceneLayout(scene: ResolvedScene, brand: BrandFacts, setter: Typesetter): SceneLayout {
  const { template, rows } = scene;
  const shown = shownMedia(scene);
  const arranged = arrange(template.arrangement, {
    shape: setter.shape,
    ground: template.ground,
    entries: entriesOf(scene),
    pictures: shown.map(({ media }) => media),
    logo: template.logo && brand.logos.length > 0 && !isWatermarked(scene, brand),
    rows,
  });
  const layout = placedByHand(
    arranged,
    { slots: (setter.format && template.places[setter.format]) ?? {}, logo: template.marks.logo },
    shown.map(({ slot }) => slot),
    { place: wholeOf(setter.shape), ink: template.ground },
  );
  return { ...layout, shown, ground: template.ground };
}

/** Whether the brand's watermark stands over a scene. The sign-off shows the logo at large instead. */
export const isWatermarked = ({ template }: ResolvedScene, { watermark }: BrandFacts): boolean =>
  watermark !== null && template.arrangement.name !== "sign-off";

/** The picture slots that have a place: required ones always, optional ones when something is in them. */
function shownMedia(scene: ResolvedScene): ShownMedia[] {
  return scene.template.slots.flatMap((slot) => {
    if (slot.kind !== "media") return [];
    const shots = scene.shots[slot.id] ?? [];
    const media = shownAs(shots);
    return media || slot.required
      ? [
          {
            slot,
            media,
            shots,
            framing: scene.template.framings[slot.id] ?? null,
            behind: scene.behind[slot.id] ?? null,
          },
        ]
      : [];
  });
}

/** What a slot is laid out for: its first shot, with what words over it would stand on in any of them. */
function shownAs([first, ...others]: readonly ResolvedShot[]): PictureFacts | ClipFacts | null {
  if (!first || others.length === 0) return first?.media ?? null;
  const all = [first, ...others].map(({ media: { tones } }) => tones);
  return { ...first.media, tones: all.every((tones) => tones !== undefined) ? all.flat() : undefined };
}
