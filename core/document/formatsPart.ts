import { MOST_FORMATS, isFormatName } from "../placement/formats";
import { type RecordPart } from "./documentShape";
import { orderOnly } from "./orderKey";
import { Refusal } from "../refusal";

/** The formats of a promotion or a template. */
export const FORMATS_PART: RecordPart = {
  least: 1,
  most: MOST_FORMATS,
  named: "format",
  read: (key, value) => {
    if (!isFormatName(key))
      throw new Refusal(
        `There is no format “${key}”: it is square, vertical, widescreen, portrait or a ratio as in 5x7.`,
      );
    return orderOnly.validateSync(value, { strict: true });
  },
};
