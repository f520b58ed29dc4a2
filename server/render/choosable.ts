import { languagesOf } from "../../core/document/captionsPart";
import { formatsInOrder } from "../../core/document/formatList";
import { resolvePromotion } from "../../core/document/resolve";
import { type TeamScope } from "../db/teamScope";
import { teamPlacements } from "../placements/ownPlacements";
import { type RenderInput } from "./renderInput";
import { type Choosable } from "./readRenderWish";

/** What of a promotion can be rendered, and for where. */
export async function choosableOf(scope: TeamScope, { document, facts }: RenderInput): Promise<Choosable> {
  const { placements } = await teamPlacements(scope);
  return {
    ...{ formats: formatsInOrder(document), placements, languages: languagesOf(document.captions) },
    seconds: resolvePromotion(document, facts).length / 1000,
  };
}
