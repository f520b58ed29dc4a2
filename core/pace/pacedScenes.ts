import { isLocked, sceneDesign, sourced } from "../document/design";
import { type Facts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { type ResolvedScene } from "../document/resolve";
import { type SlotKey } from "../document/sceneTemplate";
import { type ShownWords, shownWords } from "../preflight/shownWords";
import { type SheetScene } from "../scene/proofSheet";
import { lengthOfShots, ownLength } from "../scene/shotTrack";
import { readingNeed } from "../time/reading";
import { FIELDS } from "../document/fields";

/** What keeps a scene from being shorter. */
export type HeldUpBy =
  | { readonly kind: "words"; readonly key: SlotKey; readonly text: string; readonly need: number }
  | { readonly kind: "joins" }
  | { readonly kind: "least" }
  | { readonly kind: "template" };

/** A scene as its length is decided. Milliseconds. */
export interface PacedScene {
  readonly id: string;
  readonly name: string;
  readonly length: number;
  /** How long it shares the screen with the one before it. */
  readonly overlap: number;
  /** The least it can be, whoever says so: on screen twice as long as it shares it. */
  readonly shortest: number;
  /** The least it can be and still be read. */
  readonly least: number;
  readonly most: number;
  readonly heldUpBy: HeldUpBy;
  readonly weight: number;
  /** How long its words need to be read, from its start to when the next comes in; 0 without any. */
  readonly need: number;
  /** How long it would be to be read at ease; null without words. */
  readonly forWords: number | null;
  /** How long it would be to show all that is used of its clips; null without any. */
  readonly forClips: number | null;
  /** Whether this person may not change it. */
  readonly isLocked: boolean;
}

const { least: SHORTEST, most: LONGEST } = FIELDS.length.field;
/** Reading takes this share of the time at most, so that it does not feel tight. */
const AT_EASE = 0.9;
/** Lengths that people would type. */
const STEP_MS = 100;

/**
 * The scenes that are shown, with how long each must be at least: to be read before the next comes in, and to be on screen
 * twice as long as it shares it.
 *
 * @param sheet the scenes as they were prepared, in any format
 * @param free whether this person may change what templates lock
 */
export function pacedScenes(
  document: Promotion,
  facts: Pick<Facts, "templates">,
  {
    scenes,
    sheet,
    free,
  }: { readonly scenes: readonly ResolvedScene[]; readonly sheet: readonly SheetScene[]; readonly free: boolean },
): PacedScene[] {
  const joins = scenes.map(({ id }, index) => (index === 0 ? 0 : overlapOf(document, facts, id)));
  return scenes.map((scene, index): PacedScene => {
    const { id, template } = scene;
    const own = document.scenes[id];
    const design = own && sceneDesign(document, facts.templates, own);
    const locked = !free && design !== undefined && isLocked("length", { origin: design.origin });
    const [before, after] = [joins[index] ?? 0, joins[index + 1] ?? 0];
    const words = wordsOf(sheet[index]);
    const joined = 2 * Math.max(before, after);
    const floors: readonly { readonly least: number; readonly by: HeldUpBy }[] = [
      { least: SHORTEST, by: { kind: "least" } },
      { least: joined, by: { kind: "joins" } },
      ...words.map(({ comes, goes, ...one }) => ({
        least: comes + one.need + Math.max(after, goes),
        by: { kind: "words" as const, ...one },
      })),
    ];
    const floor = floors.reduce((most, one) => (one.least > most.least ? one : most));
    const clips = lengthOfClips(scene);
    const { length } = template;
    const shortest = Math.max(SHORTEST, joined);
    const need = Math.max(0, ...words.map((one) => one.comes + one.need + Math.max(0, one.goes - after)));
    const bounded = (wanted: number): number => Math.min(LONGEST, Math.max(shortest, wanted));
    const weight = design && sourced(document, "gives", { ...design, target: { scene: id }, format: null }).value;
    return {
      id,
      name: template.name,
      length,
      overlap: before,
      shortest,
      least: locked ? length : floor.least,
      most: locked ? length : LONGEST,
      heldUpBy: locked ? { kind: "template" } : floor.by,
      weight: weight ?? 1,
      need,
      forWords: words.length > 0 ? bounded(Math.ceil((need / AT_EASE + after) / STEP_MS) * STEP_MS) : null,
      forClips: clips === null ? null : bounded(Math.round(clips)),
      isLocked: locked,
    };
  });
}

/** How long the slot that shows most of clips takes to show all that is used of them; null without any. */
function lengthOfClips({ shots }: ResolvedScene): number | null {
  const lengths = Object.values(shots).flatMap((all) => {
    const isTimed = all.some(({ media }) => media.kind === "clip") && all.every((shot) => ownLength(shot) !== null);
    return isTimed ? [lengthOfShots(all)] : [];
  });
  return lengths.length > 0 ? Math.max(...lengths) : null;
}

/** As it is set: what a scene is too short for comes back as it gets longer. */
function overlapOf(document: Promotion, { templates }: Pick<Facts, "templates">, id: string): number {
  const own = document.scenes[id];
  const at = own && { ...sceneDesign(document, templates, own), target: { scene: id }, format: null };
  return (at && sourced(document, "overlap", at).value) ?? 0;
}

/** Words of a scene with how long they take to be read. */
type TimedWords = Pick<ShownWords, "key" | "text" | "comes" | "goes"> & { readonly need: number };

const wordsOf = (scene: SheetScene | undefined): TimedWords[] =>
  (scene ? shownWords(scene) : []).map(({ key, text, comes, goes }) => ({
    key,
    text,
    comes,
    goes,
    need: readingNeed(text),
  }));
