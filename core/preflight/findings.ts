import { type ResolvedPromotion } from "../document/resolve";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { type PreparedScene } from "../scene/prepared";
import { type Promotion } from "../document/promotion";
import { sceneOf } from "../document/sceneIds";
import { type CheckedPromotion, type CheckedScene, type Finding } from "./finding";
import { inOrder } from "./inOrder";
import { RULES } from "./rules";

/** What was found in scenes that have not changed since: by what was prepared, and how long it stays. */
export type FindingMemory = WeakMap<PreparedScene, Map<string, readonly Finding[]>>;

/**
 * Everything that was found in a promotion, what is wrong first, else in the order of its scenes.
 *
 * @param formats what it was prepared as; rules that hold for all formats are asked in the first
 * @param memory scenes that are the very same as before are not looked at again
 */
export function findingsOf(
  { document, promotion }: { readonly document: Promotion; readonly promotion: ResolvedPromotion },
  formats: readonly PreparedPromotion[],
  memory: FindingMemory = new WeakMap(),
): Finding[] {
  const found = formats.flatMap((prepared, at) =>
    prepared.scenes.flatMap((scene, index) => {
      const resolved = (promotion.inFormat[prepared.format] ?? promotion).scenes[index];
      const span = prepared.spans[index];
      if (!resolved || !span) return [];
      const stays = (prepared.spans[index + 1]?.start ?? span.end) - span.start;
      const checked = { document, format: prepared.format, scene: resolved, prepared: scene, stays };
      return remembered(memory, checked, at === 0);
    }),
  );
  const [first] = formats;
  const inAll = first ? ofWhole({ document, promotion, prepared: first, formats }) : [];
  return inOrder([...found, ...inAll], promotion);
}

const SCENE_RULES = RULES.filter((rule) => "look" in rule);
const WHOLE_RULES = RULES.filter((rule) => "lookAtAll" in rule);

const ofWhole = (checked: CheckedPromotion): Finding[] =>
  WHOLE_RULES.flatMap(({ id: rule, lookAtAll }) => lookAtAll(checked).map((found): Finding => ({ rule, ...found })));

/** What is set in a scene. */
const setIn = ({ document, scene }: CheckedScene): readonly unknown[] =>
  Object.entries(document.adjustments).filter(([key]) => sceneOf(key) === scene.id || key.startsWith("@"));

function remembered(memory: FindingMemory, checked: CheckedScene, isFirst: boolean): readonly Finding[] {
  const known = memory.get(checked.prepared) ?? new Map<string, readonly Finding[]>();
  memory.set(checked.prepared, known);
  // A cure is made for a scene's length and locks, and for what is set in it, so these count too.
  const { id, template } = checked.scene;
  const from = [
    ...[id, checked.format, checked.stays, template.length, template.allows.timing, isFirst],
    JSON.stringify(setIn(checked)),
  ].join("/");
  const before = known.get(from);
  if (before) return before;
  const found = SCENE_RULES.filter(({ isByFormat }) => isByFormat || isFirst).flatMap(
    ({ id: rule, isByFormat, look }) =>
      look(checked).map(({ slot, ...rest }): Finding => ({
        rule,
        where: { scene: id, format: isByFormat ? checked.format : null, slot },
        ...rest,
      })),
  );
  known.set(from, found);
  return found;
}
