import { type Size } from "../../core/geometry/rect";
import { type Surface } from "../../paint/resources";
import { nodeSurface, pixelsOn } from "./nodeResources";
import { type Pixels } from "./planar/framePieces";

/** Sides are rounded up to so many pixels, so that a surface serves what grows or shrinks a little. */
const STEP = 64;

/** Surfaces that are painted on, read and used again. */
export interface PassingSurfaces {
  /** What is painted on a surface of at least this size with nothing on it. Reading costs as much as all of it is large. */
  painted(size: Size, paint: (surface: Surface) => void): Pixels;
}

/** @param most so many pixels of surfaces are kept at least, before others take their place */
export function passingSurfaces(most: number): PassingSurfaces {
  const kept = new Map<string, Surface>();
  let pixels = 0;

  function surfaceFor({ width, height }: Size): Surface {
    const [across, down] = [roundedUp(width), roundedUp(height)];
    const key = `${across}/${down}`;
    const known = kept.get(key);
    if (known) return known;
    if (pixels >= most) {
      kept.clear();
      pixels = 0;
    }
    const made = nodeSurface(across, down);
    kept.set(key, made);
    pixels += across * down;
    return made;
  }

  return {
    painted(size, paint) {
      const surface = surfaceFor(size);
      surface.context.clearRect(0, 0, surface.width, surface.height);
      paint(surface);
      return pixelsOn(surface);
    },
  };
}

const roundedUp = (length: number): number => Math.ceil(length / STEP) * STEP;
