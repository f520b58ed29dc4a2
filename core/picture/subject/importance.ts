import { type SmallFrame } from "./smallFrame";

/** How much each pixel of a frame draws the eye, row by row; 0 for nothing. */
export type Importance = Float32Array;

/** Frames that a background is taken from: more do not make it truer. */
const MOST_FOR_BACKGROUND = 25;
/** Differences below this, summed over three channels of 255, are noise of the camera and of the coding. */
const NOISE = 40;
/** How much of a pixel's weight its colour gives by itself, where nothing moves. */
const AT_REST = 0.12;
/** From here on, in pixels from sample to sample on average, the camera is taken to move. */
const CAMERA_MOVES = 0.75;

/**
 * What draws the eye in frames between two cuts, all of one size: what moves against its background, more so where it stands
 * out in colour; where nothing moves, what stands out.
 *
 * Where the camera rests, the background is the median of each pixel over time; where it moves, what moves is what differs
 * from both neighbours after these were shifted by the camera's own movement.
 */
export function importanceOf(frames: readonly SmallFrame[]): Importance[] {
  const shifts = frames.map((frame, at) => shiftBetween(frames[at - 1] ?? frame, frame));
  const moved = shifts.reduce((sum, { dx, dy }) => sum + Math.hypot(dx, dy), 0) / Math.max(1, frames.length - 1);
  const background = moved > CAMERA_MOVES ? null : medianOf(frames);
  return frames.map((frame, at) => {
    const movement = background ? differenceOf(frame, background) : movementAt(frames, shifts, at);
    const standingOut = standsOut(frame);
    return movement.map((value, pixel) => {
      const color = standingOut[pixel] ?? 0;
      return Math.max(0, value - NOISE) * (0.4 + 0.6 * color) + AT_REST * 255 * color * color;
    });
  });
}

/** How far each pixel's colour is from another frame's, summed over the channels. */
function differenceOf({ rgb }: SmallFrame, other: Uint8Array): Float32Array {
  return Float32Array.from({ length: rgb.length / 3 }, (_, pixel) => {
    let sum = 0;
    for (let channel = 0; channel < 3; channel++)
      sum += Math.abs((rgb[pixel * 3 + channel] ?? 0) - (other[pixel * 3 + channel] ?? 0));
    return sum;
  });
}

/** Each pixel's median over time, channel by channel. */
function medianOf(frames: readonly SmallFrame[]): Uint8Array {
  const every = Math.max(1, Math.ceil(frames.length / MOST_FOR_BACKGROUND));
  const chosen = frames.filter((_, at) => at % every === 0);
  const values = new Uint8Array(chosen.length);
  return Uint8Array.from({ length: frames[0]?.rgb.length ?? 0 }, (_, at) => {
    chosen.forEach(({ rgb }, one) => (values[one] = rgb[at] ?? 0));
    return values.sort()[chosen.length >> 1] ?? 0;
  });
}

/** What differs from the frame before and from the one after, each where the camera saw it from this frame. */
function movementAt(frames: readonly SmallFrame[], shifts: readonly Shift[], at: number): Float32Array {
  const frame = frames[at];
  if (!frame) return new Float32Array(0);
  const nothing: Shift = { dx: 0, dy: 0 };
  const [before, after] = [frames[at - 1], frames[at + 1]];
  const come = shifts[at] ?? nothing;
  const goes = shifts[at + 1] ?? nothing;
  const fromBefore = before && shiftedDifference(frame, before, { dx: -come.dx, dy: -come.dy });
  const fromAfter = after && shiftedDifference(frame, after, goes);
  const one = fromBefore ?? fromAfter ?? new Float32Array(frame.rgb.length / 3);
  return fromAfter ? one.map((value, pixel) => Math.min(value, fromAfter[pixel] ?? 0)) : one;
}

/** How far each pixel is from the one of another frame that lies a shift away; nothing is said of what lies outside. */
function shiftedDifference(frame: SmallFrame, other: SmallFrame, { dx, dy }: Shift): Float32Array {
  const { width, height, rgb } = frame;
  const found = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [fromX, fromY] = [x + dx, y + dy];
      if (fromX < 0 || fromX >= width || fromY < 0 || fromY >= height) continue;
      let sum = 0;
      for (let channel = 0; channel < 3; channel++)
        sum += Math.abs(
          (rgb[(y * width + x) * 3 + channel] ?? 0) - (other.rgb[(fromY * width + fromX) * 3 + channel] ?? 0),
        );
      found[y * width + x] = sum;
    }
  return found;
}

/** By how many pixels what is seen moves from one frame to the next. */
interface Shift {
  readonly dx: number;
  readonly dy: number;
}
/** A camera that moves faster from sample to sample shows nothing that could be followed. */
const FARTHEST = 8;
/** Of the pixels, every so many are compared. */
const STRIDE = 3;
const MOST_APART = 40;

/**
 * The shift by which most of a frame lies over the next: the least mean difference, compared over every third pixel, first
 * at every other shift, then at those around the best.
 */
function shiftBetween(before: SmallFrame, after: SmallFrame): Shift {
  if (before === after) return { dx: 0, dy: 0 };
  const differenceAt = shiftedMean(before, after);
  const least = (shifts: readonly Shift[]): Shift =>
    shifts
      .map((shift) => ({ shift, difference: differenceAt(shift) }))
      .reduce((best, one) => (one.difference < best.difference ? one : best)).shift;
  const { dx, dy } = least(shiftsAround({ dx: 0, dy: 0 }, FARTHEST, 2));
  return least(shiftsAround({ dx, dy }, 1, 1));
}

function shiftsAround({ dx, dy }: Shift, reach: number, spacing: number): Shift[] {
  const offsets = Array.from({ length: (2 * reach) / spacing + 1 }, (_, at) => at * spacing - reach);
  return offsets.flatMap((down) => offsets.map((across) => ({ dx: dx + across, dy: dy + down })));
}

/** How far a frame is, on average, from the next one moved back by a shift. */
function shiftedMean(before: SmallFrame, after: SmallFrame): (shift: Shift) => number {
  const [one, other] = [brightnessOf(before), brightnessOf(after)];
  const { width, height } = before;
  return ({ dx, dy }) => {
    const [left, right] = [Math.max(0, -dx), Math.min(width, width - dx)];
    const [top, bottom] = [Math.max(0, -dy), Math.min(height, height - dy)];
    let sum = 0;
    let count = 0;
    for (let y = top; y < bottom; y += STRIDE)
      for (let x = left; x < right; x += STRIDE) {
        const difference = (one[y * width + x] ?? 0) - (other[(y + dy) * width + x + dx] ?? 0);
        const apart = difference < 0 ? -difference : difference;
        // Capped, so that what moves by itself does not decide.
        sum += apart < MOST_APART ? apart : MOST_APART;
        count++;
      }
    // A hair for moving at all: even ground looks the same from everywhere.
    return sum / Math.max(1, count) + 0.02 * Math.hypot(dx, dy);
  };
}

const brightnessOf = ({ rgb }: SmallFrame): Float32Array =>
  Float32Array.from(
    { length: rgb.length / 3 },
    (_, pixel) => 0.299 * (rgb[pixel * 3] ?? 0) + 0.587 * (rgb[pixel * 3 + 1] ?? 0) + 0.114 * (rgb[pixel * 3 + 2] ?? 0),
  );

/**
 * How much each pixel's colour stands out from the frame's mean, 0 to 1: frequency-tuned saliency of Achanta and others,
 * “Frequency-tuned Salient Region Detection”, CVPR 2009. The frame is small, which stands for their blur.
 */
export function standsOut({ rgb }: Pick<SmallFrame, "rgb">): Float32Array {
  const count = rgb.length / 3;
  const mean = [0, 1, 2].map((channel) => {
    let sum = 0;
    for (let pixel = 0; pixel < count; pixel++) sum += rgb[pixel * 3 + channel] ?? 0;
    return sum / count;
  });
  let most = 1;
  const far = Float32Array.from({ length: count }, (_, pixel) => {
    let sum = 0;
    for (let channel = 0; channel < 3; channel++) sum += ((rgb[pixel * 3 + channel] ?? 0) - (mean[channel] ?? 0)) ** 2;
    const distance = Math.sqrt(sum);
    most = Math.max(most, distance);
    return distance;
  });
  return far.map((value) => value / most);
}
