import { formatsInOrder } from "../../core/document/formatList";
import { resolvePromotion } from "../../core/document/resolve";
import { type Shown } from "../../core/review/reviewState";
import { paintedWhole } from "../../core/scene/paintedText";
import { preparedInput } from "../render/preparedInput";
import { type RenderInput } from "../render/renderInput";

/** What decides all that is seen and heard of a promotion in those of some formats that it is made in. */
export async function shownOf(input: RenderInput, formats: readonly string[]): Promise<Shown> {
  const pictures: Record<string, string> = {};
  for (const format of formatsInOrder(input.document).filter((one) => formats.includes(one)))
    pictures[format] = paintedWhole(await preparedInput(input, format), input.hashes);
  const { mix } = resolvePromotion(input.document, input.facts);
  const sounds = mix.track.map(({ what }) => input.hashes[what.sound] ?? null);
  return { pictures, heard: JSON.stringify([mix, sounds]) };
}
