import { type Promotion } from "./promotion";
import { type ResolvedPromotion } from "./resolve";

/** What is said in a scene; nothing where nothing was written. @param scene its id */
export const scriptOf = ({ adjustments }: Pick<Promotion, "adjustments">, scene: string): string =>
  adjustments[scene]?.script ?? "";

/** What is said, scene by scene, and when each scene begins, in milliseconds. Scenes in which nothing is said are left out. */
export const scriptsOf = (
  document: Pick<Promotion, "adjustments">,
  { scenes, spans }: Pick<ResolvedPromotion, "scenes" | "spans">,
): { readonly scene: string; readonly from: number; readonly text: string }[] =>
  scenes.flatMap(({ id }, index) => {
    const [text, span] = [scriptOf(document, id), spans[index]];
    return text === "" || !span ? [] : [{ scene: id, from: span.start, text }];
  });
