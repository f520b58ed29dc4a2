import { type FrameRate } from "./frames";

/**
 * Frame numbers as timecode (SMPTE ST 12-1): hours, minutes, seconds and frames. At 30000/1001 and 60000/1001 numbers are
 * dropped so that the code keeps to the clock: the first two (or four) of each minute but every tenth.
 */

interface Counting {
  /** Whole frames that are counted to a second. */
  readonly nominal: number;
  /** Numbers that are left out of a minute; 0 at whole rates. */
  readonly dropped: number;
}

function countingAt({ numerator, denominator }: FrameRate): Counting {
  const nominal = Math.round(numerator / denominator);
  const isDropped = denominator === 1001 && nominal % 30 === 0;
  return { nominal, dropped: isDropped ? nominal / 15 : 0 };
}

/** The timecode of a frame, counted from 0. Frames follow a semicolon where numbers are dropped. */
export function timecode(frame: number, rate: FrameRate): string {
  const { nominal, dropped } = countingAt(rate);
  const [minute, tenMinutes] = [nominal * 60 - dropped, nominal * 600 - dropped * 9];
  const [tens, rest] = [Math.floor(frame / tenMinutes), frame % tenMinutes];
  // The first minute of ten drops nothing.
  const minutesIn = rest < nominal * 60 ? 0 : 1 + Math.floor((rest - nominal * 60) / minute);
  const shown = frame + dropped * (tens * 9 + minutesIn);
  const seconds = Math.floor(shown / nominal);
  const parts = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60].map(twoDigits).join(":");
  return `${parts}${dropped > 0 ? ";" : ":"}${twoDigits(shown % nominal)}`;
}

const twoDigits = (value: number): string => String(value).padStart(2, "0");

const CODE = /^(?:(?:(\d{1,2}):)?(\d{1,2}):)?(\d{1,2})[:;](\d{1,2})$/;

/** The frame that a timecode names, its leading parts left out at will; null where there is none of that name. */
export function frameOfTimecode(code: string, rate: FrameRate): number | null {
  const parts = CODE.exec(code.trim());
  if (!parts) return null;
  const [hours = 0, minutes = 0, seconds = 0, frames = 0] = parts.slice(1).map((part) => Number(part || 0));
  const { nominal, dropped } = countingAt(rate);
  if (minutes > 59 || seconds > 59 || frames >= nominal) return null;
  // These numbers are the ones that are left out.
  if (seconds === 0 && frames < dropped && minutes % 10 !== 0) return null;
  const allMinutes = hours * 60 + minutes;
  return (allMinutes * 60 + seconds) * nominal + frames - dropped * (allMinutes - Math.floor(allMinutes / 10));
}

/**
 * A length of time as people type it, in milliseconds: seconds (`4.5` or `4,5 s`), frames (`135 f`) or a timecode
 * (`00:04:15`); null where it is none of them.
 */
export function typedTime(text: string, rate: FrameRate): number | null {
  const ofFrames = (frames: number): number => Math.round((frames * 1000 * rate.denominator) / rate.numerator);
  const frames = /^(\d{1,7})\s*f(?:rames?)?$/i.exec(text.trim())?.[1];
  if (frames !== undefined) return ofFrames(Number(frames));
  const seconds = /^(\d{0,6}(?:[.,]\d{0,6})?)\s*s?$/i.exec(text.trim())?.[1];
  if (seconds !== undefined && /\d/.test(seconds)) return Math.round(Number(seconds.replace(",", ".")) * 1000);
  const frame = frameOfTimecode(text, rate);
  return frame === null ? null : ofFrames(frame);
}
