import { formatsInOrder } from "../../core/document/formatList";
import { type ResolvedPromotion, resolvePromotion } from "../../core/document/resolve";
import { type Finding } from "../../core/preflight/finding";
import { findingsOf } from "../../core/preflight/findings";
import { inOrder } from "../../core/preflight/inOrder";
import { preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { openedBook } from "../faces/faceFiles";
import { type RenderInput } from "../render/renderInput";
import { findingsInFrames } from "./checkedFrames";
import { heardFindings } from "./heardFindings";

/** A promotion as it would be rendered, and what was found in it. */
interface Preflight {
  readonly promotion: ResolvedPromotion;
  readonly findings: readonly Finding[];
}

/** What is found in a promotion as it would be rendered now: the same as its desk finds. */
export async function preflight(input: RenderInput): Promise<Preflight> {
  const { document, facts } = input;
  const promotion = resolvePromotion(document, facts);
  const book = await openedBook((open) => fontFilesWanted(promotion, open));
  const formats = formatsInOrder(document).map((format) => preparePromotion(promotion, format, book));
  const found = findingsOf({ document, promotion }, formats);
  const lookedAt = await Promise.all([
    ...formats.map((prepared) => findingsInFrames(prepared, promotion, input)),
    heardFindings(promotion, input),
  ]);
  return { promotion, findings: inOrder([...found, ...lookedAt.flat()], promotion) };
}
