import { resolvePromotion } from "../../core/document/resolve";
import { type FormatName } from "../../core/placement/formats";
import { withDraftMark } from "../../core/scene/draftMark";
import { type PreparedPromotion, preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { openedBook } from "../faces/faceFiles";
import { type RenderInput } from "./renderInput";

/**
 * The promotion of a render's input in a format, with every typeface open that it needs.
 * @param isMarked whether its frames say that they are a draft
 */
export async function preparedInput(
  { document, facts }: RenderInput,
  format: FormatName,
  isMarked = false,
): Promise<PreparedPromotion> {
  const promotion = resolvePromotion(document, facts);
  const book = await openedBook((open) => fontFilesWanted(promotion, open));
  const prepared = preparePromotion(promotion, format, book);
  return isMarked ? withDraftMark(prepared, promotion, book) : prepared;
}
