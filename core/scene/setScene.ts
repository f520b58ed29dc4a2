import { ANCHORS, type Anchor, RHYTHM } from "../geometry/column";
import { evenInsets, inset } from "../geometry/rect";
import { CLEAREST } from "../document/arrangements";
import { type BrandFacts } from "../document/facts";
import { type ResolvedScene } from "../document/resolve";
import { type ColumnBacking, columnBackings } from "./columnBackings";
import { type SceneLayout, sceneLayout } from "./sceneLayout";
import { type SetColumn, setColumns } from "./setColumns";
import { subjectCovered, subjectSeen } from "./subjectCovered";
import { type Typesetter } from "./wordsBlock";

/** A scene with its places given, its words set, and what makes them legible chosen. */
export interface SetScene {
  readonly layout: SceneLayout;
  readonly columns: readonly SetColumn[];
  readonly backings: readonly ColumnBacking[];
}

/** What a shade costs beside the subject that is covered; a panel hides all that is under it. */
const SHADE_COST = 0.15;
const PANEL_COST = 0.3;
/** Where nothing decides, words stand where people look for them. */
const USUAL: Readonly<Record<Anchor, number>> = { bottom: 0, top: 0.01, middle: 0.06 };

/**
 * Sets a scene in a shape. Where its arrangement leaves open where the words stand, every place is tried, and the one is
 * taken that covers least of the subject and needs least to be legible.
 */
export function setScene(scene: ResolvedScene, brand: BrandFacts, setter: Typesetter): SetScene {
  const { arrangement } = scene.template;
  if (arrangement.name !== "full-picture" || arrangement.words !== CLEAREST) return setAs(scene, brand, setter);
  const tried = ANCHORS.map((words) => {
    const template = { ...scene.template, arrangement: { ...arrangement, words } };
    return { words, set: setAs({ ...scene, template }, brand, setter) };
  });
  // Its picture lies where it lies, wherever the words stand.
  const layout = tried[0]?.set.layout;
  const picture = layout?.pictures[0];
  const shown = picture && layout.shown[picture.index];
  const subject = shown ? subjectSeen(shown, picture.place) : [];
  const costs = tried.map(({ words, set }) => ({ set, cost: costOf(set, subject) + USUAL[words] }));
  return costs.reduce((best, other) => (other.cost < best.cost ? other : best)).set;
}

function setAs(scene: ResolvedScene, brand: BrandFacts, setter: Typesetter): SetScene {
  const layout = sceneLayout(scene, brand, setter);
  const columns = setColumns(setter, brand, layout.columns);
  return { layout, columns, backings: columnBackings(setter, columns, layout) };
}

/** How much of its picture's subject the words of a scene cover, and how much is put between. */
function costOf({ columns, backings }: SetScene, subject: ReturnType<typeof subjectSeen>): number {
  const words = columns
    .flatMap(({ entries }) => entries.filter(({ place }) => place.width > 0))
    .map(({ place }) => inset(place, evenInsets(-RHYTHM)));
  const treated = backings.map(({ backing }) =>
    backing?.kind === "panel" ? PANEL_COST : SHADE_COST * (backing?.alpha ?? 0),
  );
  return subjectCovered(subject, words) + Math.max(0, ...treated);
}
