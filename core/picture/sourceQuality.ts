/** What is wrong with a picture's pixels, measured from its brightness. */
export interface SourceQuality {
  /** 0 (sharp) to 1 (nothing but blur). */
  readonly blur: number;
  /** The spread of its noise, in steps of 255. */
  readonly noise: number;
  /** The share of its pixels that lie in bands, 0 to 1. */
  readonly bands: number;
}

/** Brightness, a byte a pixel, row by row. */
export interface GreyPicture {
  readonly width: number;
  readonly height: number;
  readonly grey: Uint8Array;
}

/** From here on a fault is seen at the size that promotions are rendered in. */
export const SEEN_FROM: SourceQuality = { blur: 0.52, noise: 4, bands: 0.25 };

/** Measures a picture as large as it is shown at most. At least 32 pixels wide and high; what is smaller has no fault. */
export function sourceQuality(picture: GreyPicture): SourceQuality {
  const { width, height } = picture;
  if (Math.min(width, height) < 32) return { blur: 0, noise: 0, bands: 0 };
  const kept = (value: number): number => Number(value.toFixed(3));
  return { blur: kept(blurOf(picture)), noise: kept(noiseOf(picture)), bands: kept(bandsOf(picture)) };
}

/** Pixels on each side that a mean is taken over. */
const BLUR_REACH = 4;

/**
 * How little a picture loses by being blurred once more, the worse of both directions. Crete, Dolmiere, Ladret and Nicolas,
 * “The blur effect: perception and estimation with a new no-reference perceptual blur metric”, SPIE 6492, 2007.
 */
function blurOf({ width, height, grey }: GreyPicture): number {
  const along = (lines: number, length: number, at: (line: number, place: number) => number): number => {
    let [own, lost] = [0, 0];
    const values = new Float64Array(length);
    const means = new Float64Array(length);
    for (let line = 0; line < lines; line++) {
      for (let place = 0; place < length; place++) values[place] = grey[at(line, place)] ?? 0;
      runningMeans(values, means);
      for (let place = 1; place < length; place++) {
        const difference = absolute((values[place] ?? 0) - (values[place - 1] ?? 0));
        const blurred = absolute((means[place] ?? 0) - (means[place - 1] ?? 0));
        own += difference;
        if (difference > blurred) lost += difference - blurred;
      }
    }
    return own === 0 ? 0 : (own - lost) / own;
  };
  const across = along(height, width, (line, place) => line * width + place);
  const down = along(width, height, (line, place) => place * width + line);
  return across > down ? across : down;
}

const absolute = (value: number): number => (value < 0 ? -value : value);

/** The mean around each value; at the ends, of what there is. */
function runningMeans(values: Float64Array, means: Float64Array): void {
  const last = values.length - 1;
  const held = (place: number): number => values[place < 0 ? 0 : place > last ? last : place] ?? 0;
  let sum = 0;
  for (let place = -BLUR_REACH; place <= BLUR_REACH; place++) sum += held(place);
  for (let place = 0; place <= last; place++) {
    means[place] = sum / (2 * BLUR_REACH + 1);
    sum += held(place + BLUR_REACH + 1) - held(place - BLUR_REACH);
  }
}

/** The side of a patch that noise is measured in. */
const PATCH = 16;
/** Of all patches, those at this share from the calmest: what is there is noise, and not the picture. */
const CALM = 0.2;

/** The spread of noise in the calmest patches: Immerkær, “Fast noise variance estimation”, CVIU 64, 1996. */
function noiseOf({ width, height, grey }: GreyPicture): number {
  const at = (x: number, y: number): number => grey[y * width + x] ?? 0;
  const spreads: number[] = [];
  for (let top = 1; top + PATCH < height; top += PATCH)
    for (let left = 1; left + PATCH < width; left += PATCH) {
      let [sum, even] = [0, 0];
      for (let y = top; y < top + PATCH; y++)
        for (let x = left; x < left + PATCH; x++) {
          const corners = at(x - 1, y - 1) + at(x + 1, y - 1) + at(x - 1, y + 1) + at(x + 1, y + 1);
          const sides = at(x, y - 1) + at(x, y + 1) + at(x - 1, y) + at(x + 1, y);
          sum += absolute(corners - 2 * sides + 4 * at(x, y));
          even += at(x, y) === 0 || at(x, y) === 255 ? 1 : 0;
        }
      // What is quite black or white was cut off there, its noise with it.
      if (even < (PATCH * PATCH) / 4) spreads.push((Math.sqrt(Math.PI / 2) * sum) / (6 * PATCH * PATCH));
    }
  const sorted = spreads.sort((one, other) => one - other);
  return sorted[Math.floor(CALM * (sorted.length - 1))] ?? 0;
}

/** So many pixels of one value in a row are a band, if its neighbours are this much brighter or darker. */
const LEAST_BAND = 10;
const BAND_STEP = { least: 3, most: 20 } as const;

/** The share of pixels in even runs that end in a small step on both sides, along rows: a smooth change that was cut up. */
function bandsOf({ width, height, grey }: GreyPicture): number {
  let banded = 0;
  for (let y = 0; y < height; y++) {
    let start = 0;
    let cameBy = 0;
    for (let x = 1; x <= width; x++) {
      const step = x < width ? (grey[y * width + x] ?? 0) - (grey[y * width + x - 1] ?? 0) : 0;
      if (step === 0 && x < width) continue;
      if (x - start >= LEAST_BAND && isBandStep(cameBy) && isBandStep(step)) banded += x - start;
      start = x;
      cameBy = step;
    }
  }
  return banded / (width * height);
}

const isBandStep = (step: number): boolean => absolute(step) >= BAND_STEP.least && absolute(step) <= BAND_STEP.most;
