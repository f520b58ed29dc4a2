import { type MediaFacts } from "../../core/document/facts";
import { type MediaNeed, type Miss, clipSeconds } from "../../core/document/mediaNeed";
import { RIGHTS_WORDS, type RightsState } from "../../core/document/rights";
import { type PictureShape } from "../../core/document/sceneTemplate";
import { seconds } from "../components/mediaLook";

const SHAPE_WORDS: Readonly<Record<PictureShape, string>> = {
  any: "any shape",
  tall: "standing",
  square: "square",
  wide: "lying",
};

const isShaped = ({ width, height }: { readonly width: number; readonly height: number }): string => {
  if (width === height) return "square";
  return width > height ? "lying" : "standing";
};

/** Why an item does not answer what is asked for, in words with figures. */
export function missWords(miss: Miss, facts: MediaFacts, rights: RightsState, need: MediaNeed): string {
  if (facts.kind === "sound") return "a sound";
  switch (miss) {
    case "rights":
      return RIGHTS_WORDS[rights];
    case "pixels":
      return `${Math.min(facts.width, facts.height)} px, from ${need.leastPixels} px asked`;
    case "length":
      return facts.kind === "clip" ? `${seconds(clipSeconds(facts) * 1000)}, from ${need.leastSeconds} s asked` : "";
    case "shape":
      return `${isShaped(facts)}, ${SHAPE_WORDS[need.shape]} asked`;
  }
}

/** What a place asks for, in words. */
export function needInWords({ accepts, shape, leastPixels, leastSeconds }: MediaNeed): string {
  const kinds = accepts.length > 1 ? "Picture or clip" : accepts[0] === "clip" ? "Clip" : "Picture";
  return [
    shape === "any" ? kinds : `${kinds}, ${SHAPE_WORDS[shape]}`,
    ...(leastPixels > 0 ? [`from ${leastPixels} px`] : []),
    ...(leastSeconds > 0 ? [`from ${leastSeconds} s`] : []),
  ].join(", ");
}
