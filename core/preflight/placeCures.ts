import { adjustmentKey, targetOf } from "../document/adjustments";
import { markOfKey } from "../document/brandMark";
import { type Edit } from "../document/edit";
import { giveMarkBack } from "../document/markEdits";
import { pointer } from "../document/patch";
import { type Promotion } from "../document/promotion";
import { type SlotKey } from "../document/sceneTemplate";
import { type FormatName } from "../placement/formats";

/** What mends something that was placed badly by hand in a format; nothing where it stands as it usually does. */
export function placeCures(document: Promotion, key: SlotKey, format: FormatName): Edit[] {
  const mark = markOfKey(key);
  if (mark) {
    const edit = giveMarkBack(document, mark);
    return edit ? [{ ...edit, label: `Give the ${mark.mark} its usual place` }] : [];
  }
  const at = adjustmentKey(targetOf(key), "scene@format", format);
  return document.adjustments[at]?.place === undefined
    ? []
    : [{ label: "Put it back in its place", patch: [{ op: "remove", path: pointer("adjustments", at, "place") }] }];
}
