import { type ArrangementName } from "../document/template";
import { type Format, safeArea } from "../placement/formats";
import { type Anchor, RHYTHM } from "./column";
import { type Rect, bottom, inset, rect, right, wholeOf } from "./rect";

/** Where things go in one format before any words are set. */
export interface Arrangement {
  /** Covered by the scene's picture, to the edges of the format where it touches them. */
  readonly picture: Rect;
  /** A plain ground beside or below the picture; null where words stand on the picture. */
  readonly panel: Rect | null;
  /** Inside the safe area; words are set in it from top to bottom. */
  readonly column: Rect;
  readonly align: "start" | "centre";
  readonly anchor: Anchor;
  readonly gap: number;
  /** Where the logo stands when it is not part of the column. */
  readonly logo: Rect | null;
}

const steps = (count: number): number => count * RHYTHM;

/** The named rules. Each turns a format of any shape into an arrangement. */
export function arrange(name: ArrangementName, format: Format): Arrangement {
  switch (name) {
    case "full-picture":
      return fullPicture(format);
    case "product":
      return beside(format, { standing: 0.56, square: 0.58, lying: 0.55 }, "middle");
    case "offer":
      return offer(format);
    case "sign-off":
      return signOff(format);
  }
}

const shapeOf = (format: Format): "standing" | "square" | "lying" =>
  format.height > format.width * 1.1 ? "standing" : format.width > format.height * 1.1 ? "lying" : "square";

/** Snaps a division of the format to the rhythm. */
const toRhythm = (length: number): number => steps(Math.round(length / RHYTHM));

function fullPicture(format: Format): Arrangement {
  const safe = safeArea(format);
  const lying = shapeOf(format) === "lying";
  const width = lying ? toRhythm(safe.width * 0.6) : safe.width;
  const height = toRhythm(safe.height * (lying ? 0.62 : 0.5));
  return {
    picture: wholeOf(format),
    panel: null,
    column: rect(safe.x, bottom(safe) - height, width, height),
    align: "start",
    anchor: "bottom",
    gap: steps(2),
    logo: rect(safe.x, safe.y, steps(36), steps(11)),
  };
}

/** A picture and a panel that meet along one straight edge; `share` is the picture's part of the longer way. */
function beside(format: Format, share: Record<"standing" | "square" | "lying", number>, anchor: Anchor): Arrangement {
  const safe = safeArea(format);
  const shape = shapeOf(format);
  const pad = steps(4);
  if (shape === "lying") {
    const split = toRhythm(format.width * (1 - share.lying));
    return {
      picture: rect(split, 0, format.width - split, format.height),
      panel: rect(0, 0, split, format.height),
      column: rect(safe.x, safe.y, split - pad - safe.x, safe.height),
      align: "start", anchor, gap: steps(3), logo: null,
    };
  }
  const split = toRhythm(format.height * share[shape]);
  const panel = rect(0, split, format.width, format.height - split);
  const column = inset(panel, { top: pad, bottom: format.height - bottom(safe), left: safe.x, right: format.width - right(safe) });
  return { picture: rect(0, 0, format.width, split), panel, column, align: "start", anchor, gap: steps(3), logo: null };
}

function offer(format: Format): Arrangement {
  if (shapeOf(format) !== "square") return { ...beside(format, { standing: 0.42, square: 0.5, lying: 0.46 }, "middle"), gap: steps(3) };
  // In a square the picture stands beside the price: a column of figures needs height more than width.
  const safe = safeArea(format);
  const split = toRhythm(format.width * 0.56);
  return {
    picture: rect(split, 0, format.width - split, format.height),
    panel: rect(0, 0, split, format.height),
    column: rect(safe.x, safe.y, split - steps(3) - safe.x, safe.height),
    align: "start", anchor: "middle", gap: steps(3), logo: null,
  };
}

function signOff(format: Format): Arrangement {
  const safe = safeArea(format);
  const width = Math.min(safe.width, toRhythm(format.height * (shapeOf(format) === "lying" ? 1.2 : 1)));
  const height = Math.min(safe.height, toRhythm(format.width * 0.95));
  return {
    picture: wholeOf(format),
    panel: null,
    column: rect(safe.x + (safe.width - width) / 2, safe.y + (safe.height - height) / 2, width, height),
    align: "centre",
    anchor: "middle",
    gap: steps(3),
    logo: null,
  };
}
