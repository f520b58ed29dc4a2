import { type FormatName, formatTitle } from "../placement/formats";
import { type Target, keysFor, readAdjustmentKey } from "./adjustments";
import { type FieldId, type Layer } from "./fields";
import { type Promotion } from "./promotion";

/** Where a value comes from, by the layer that it was found in. */
export const LAYER_WORDS: Readonly<Record<Layer | "template", string>> = {
  template: "from the template",
  scene: "set here",
  "scene@format": "set here, in one format",
  "@format": "set for all scenes in one format",
  "@all": "set for the whole promotion",
};

/** Where a field's value comes from where no format differs, and in which formats something else is set, in words. */
export function sourceInWords(
  { adjustments }: Pick<Promotion, "adjustments">,
  id: FieldId,
  { target, layer }: { readonly target: Target; readonly layer: Layer | "template" },
): string {
  const others = formatsWith(adjustments, id, target).map(formatTitle);
  return others.length > 0 ? `${LAYER_WORDS[layer]}, other in ${others.join(", ")}` : LAYER_WORDS[layer];
}

const formatsWith = (adjustments: Promotion["adjustments"], id: FieldId, target: Target): FormatName[] =>
  keysFor(adjustments, target).flatMap((key) => {
    const { format } = readAdjustmentKey(key);
    return format !== null && adjustments[key]?.[id] !== undefined ? [format] : [];
  });
