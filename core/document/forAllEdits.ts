import { adjustmentKey, readAdjustmentKey } from "./adjustments";
import { type Edit, together } from "./edit";
import { FOR_ALL, adjust } from "./edits";
import { type FieldId, type ValueOf } from "./fields";
import { type Promotion } from "./promotion";

type SetValue = { readonly [Id in FieldId]: readonly [id: Id, value: ValueOf<Id> | null] }[FieldId];

const ALL_KEY = adjustmentKey(FOR_ALL.target, FOR_ALL.layer, null);

/** Has values hold in all of a promotion: what scenes and slots had of their own gives way. Null gives all of them back. */
export function setForAll(
  { adjustments }: Pick<Promotion, "adjustments">,
  values: readonly SetValue[],
  label: string,
): Edit {
  const edits = values.flatMap(([id, value]): Edit[] => {
    const own = Object.keys(adjustments).flatMap((key) => {
      const { target, layer, format } = readAdjustmentKey(key);
      return target && adjustments[key]?.[id] !== undefined ? [adjust(id, null, { target, layer, format })] : [];
    });
    return value === null && adjustments[ALL_KEY]?.[id] === undefined ? own : [...own, adjust(id, value, FOR_ALL)];
  });
  return together(label, edits);
}
