import { stat } from "node:fs/promises";
import { Refusal } from "../../core/refusal";

/** What picture and sound may take, in bits a second. */
export interface Budget {
  readonly picture: number;
  readonly sound: number;
}

interface Limited {
  /** Where the file is, once it was made. */
  readonly path: string;
  readonly mostBytes: number;
  readonly seconds: number;
  /** Makes it as good as it usually is. */
  readonly plainly: () => Promise<void>;
  /** Makes it to a budget. */
  readonly budgeted: (budget: Budget) => Promise<void>;
}

/** How full the limit is made where quality would need more than that. */
const FULL = 0.9;
const MOST_TRIES = 5;
/** Of all bits, the sound has no more than that. */
const SOUND_SHARE = 0.2;
const SOUND_BITS = [192_000, 128_000, 96_000, 64_000, 48_000] as const;
const LEAST_SOUND = 32_000;
/** What holds the picture and the sound together takes some. */
const CONTAINER_SHARE = 0.02;
/** With less, a picture is not to be looked at, in bits a second. */
const LEAST_PICTURE = 40_000;

/** The least number of bytes that a film of so many seconds can be kept under. */
export const leastBytes = (seconds: number): number =>
  Math.ceil(((LEAST_PICTURE + LEAST_SOUND) * seconds) / (8 * (1 - CONTAINER_SHARE)));

/** How a limit is shared between picture and sound. Throws a Refusal where there is too little for a picture. */
export function budgetOf(bytes: number, seconds: number): Budget {
  const bits = (bytes * 8 * (1 - CONTAINER_SHARE)) / seconds;
  const sound = SOUND_BITS.find((one) => one <= bits * SOUND_SHARE) ?? LEAST_SOUND;
  const picture = Math.floor(bits - sound);
  if (picture >= LEAST_PICTURE) return { picture, sound };
  const least = Math.ceil(leastBytes(seconds) / 1000);
  throw new Refusal(
    `${Math.round(seconds)} s do not fit into ${Math.round(bytes / 1000)} kB: allow ${least} kB or more.`,
  );
}

/**
 * Makes a file that has no more than so many bytes: as good as usual where it fits so, else as good as fits, which is nearly
 * all of them. An encoder does not hit what it is asked for, so what came out says what is asked for next. Throws a Refusal
 * where nothing fits.
 */
export async function withinBytes({ path, mostBytes, seconds, plainly, budgeted }: Limited): Promise<void> {
  const made = async (asked: number): Promise<number> => {
    await budgeted(budgetOf(asked, seconds));
    return (await stat(path)).size;
  };
  await plainly();
  if ((await stat(path)).size <= mostBytes) return;
  const aim = (mostBytes * (1 + FULL)) / 2;
  let [fits, asked, size] = [0, aim, 0];
  for (let tries = 1; tries <= MOST_TRIES; tries++) {
    size = await made(asked);
    if (size <= mostBytes && size >= mostBytes * FULL) return;
    if (size <= mostBytes) fits = Math.max(fits, asked);
    const next = (asked * aim) / size;
    // What fits is not left behind; what did not is not asked for again.
    asked = size > mostBytes ? Math.max(fits, Math.min(next, asked * 0.97)) : Math.max(next, asked);
  }
  if (size > mostBytes) size = await made(fits > 0 ? fits : asked * FULL);
  if (size > mostBytes)
    throw new Refusal(
      `${Math.round(seconds)} s could not be kept under ${Math.round(mostBytes / 1000)} kB: allow more.`,
    );
}
