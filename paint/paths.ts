import { type Affine, boundsOf } from "../core/geometry/affine";
import { type Side } from "../core/geometry/polygon";
import { type Size, rect } from "../core/geometry/rect";
import { cutOutline } from "../core/type/cutOutline";
import { type Outline, STEP, eachStep, outlineBounds } from "../core/type/outline";

/** Outlines as paths to be filled. */
export interface Paths {
  /** An outline as it is filled under a map: kept where all of it lies on the surface, else cut to what does. */
  pathOf(outline: Outline, map: Affine): Path2D;
}

/** Paths for surfaces of a size. @param margin pixels at each edge that are not painted by shapes */
export function pathsOn(surface: Size, margin: number, newPath: () => Path2D): Paths {
  const whole = new WeakMap<Outline, Path2D>();

  /**
   * Whether an outline lies on what is painted on with all of itself. Where one goes over the edge, platforms cut it
   * differently, by up to 10 of 255 along a curve: it is cut before it is handed to them.
   */
  function isWithin(outline: Outline, map: Affine): boolean {
    const { x, y, width, height } = boundsOf(map, outlineBounds(outline) ?? NOWHERE);
    return x >= margin && y >= margin && x + width <= surface.width - margin && y + height <= surface.height - margin;
  }

  /** The edges of what is painted on, seen from what is painted under a map. */
  const sidesOf = ({ a, b, c, d, e, f }: Affine): readonly Side[] => [
    ({ x, y }) => a * x + c * y + e - margin,
    ({ x, y }) => surface.width - margin - (a * x + c * y + e),
    ({ x, y }) => b * x + d * y + f - margin,
    ({ x, y }) => surface.height - margin - (b * x + d * y + f),
  ];

  return {
    pathOf: (outline, map) =>
      isWithin(outline, map)
        ? kept(whole, outline, () => traced(newPath(), outline))
        : traced(newPath(), cutOutline(outline, sidesOf(map))),
  };
}

const NOWHERE = rect(0, 0, 0, 0);

/** What is kept for a key; made when it is first asked for. */
function kept<Key extends object, Value>(all: WeakMap<Key, Value>, key: Key, make: () => Value): Value {
  const found = all.get(key);
  if (found !== undefined) return found;
  const made = make();
  all.set(key, made);
  return made;
}

function traced(path: Path2D, outline: Outline): Path2D {
  eachStep(outline, (step, at) => {
    const to = (index: number): number => outline[at + index] ?? 0;
    if (step === STEP.move) path.moveTo(to(0), to(1));
    else if (step === STEP.line) path.lineTo(to(0), to(1));
    else if (step === STEP.quadratic) path.quadraticCurveTo(to(0), to(1), to(2), to(3));
    else if (step === STEP.cubic) path.bezierCurveTo(to(0), to(1), to(2), to(3), to(4), to(5));
    else path.closePath();
  });
  return path;
}
