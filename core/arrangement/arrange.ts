import { type Arrangement } from "../document/arrangements";
import { layBeforeAfter } from "./beforeAfter";
import { layCutOutCard } from "./cutOutCard";
import { layFullPicture } from "./fullPicture";
import { type Content, type Layout } from "./layout";
import { layMosaic } from "./mosaic";
import { layPriceList } from "./priceList";
import { layQuote } from "./quote";
import { laySignOff } from "./signOff";
import { laySplit } from "./split";
import { layStack } from "./stack";
import { laySteps } from "./steps";
import { layTopAndTail } from "./topAndTail";
import { layWordsOnly } from "./wordsOnly";

/** Places a scene's content in a shape by its arrangement's rule. */
export function arrange(arrangement: Arrangement, content: Content): Layout {
  switch (arrangement.name) {
    case "full-picture":
      return layFullPicture(arrangement, content);
    case "split":
      return laySplit(arrangement, content);
    case "top-and-tail":
      return layTopAndTail(arrangement, content);
    case "stack":
      return layStack(arrangement, content);
    case "mosaic":
      return layMosaic(arrangement, content);
    case "cut-out-card":
      return layCutOutCard(arrangement, content);
    case "words-only":
      return layWordsOnly(arrangement, content);
    case "before-after":
      return layBeforeAfter(arrangement, content);
    case "quote":
      return layQuote(arrangement, content);
    case "steps":
      return laySteps(arrangement, content);
    case "price-list":
      return layPriceList(arrangement, content);
    case "sign-off":
      return laySignOff(arrangement, content);
  }
}
