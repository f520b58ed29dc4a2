import { resolvePromotion } from "../../core/document/resolve";
import { type FormatName } from "../../core/placement/formats";
import { type PreparedPromotion, preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { openedBook } from "../faces/faceFiles";
import { type RenderInput } from "./renderInput";

/** The promotion of a render's input in a format, with every typeface open that it needs. */
export async function preparedInput({ document, facts }: RenderInput, format: FormatName): Promise<PreparedPromotion> {
  const promotion = resolvePromotion(document, facts);
  const book = await openedBook((open) => fontFilesWanted(promotion, open));
  return preparePromotion(promotion, format, book);
}
