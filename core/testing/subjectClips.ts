import { coverPart } from "../geometry/framing";
import { type Point } from "../geometry/rect";
import { type SampledPiece } from "../picture/subject/followSubject";
import { type SmallFrame } from "../picture/subject/smallFrame";
import { randomFrom } from "./randomFrom";

/** A made-up clip whose subject is known at every frame. */
export interface SubjectClip {
  readonly name: string;
  /** Where the subject's middle is at a frame, in shares of the picture; outside 0 to 1 it is not seen. */
  readonly at: (frame: number) => { readonly x: number; readonly y: number };
  /** Frames where another picture begins. */
  readonly cuts: readonly number[];
  /** By how much the ground has moved at a frame, in shares of the width. */
  readonly camera: (frame: number) => number;
  /** Whether something small flickers in a corner. */
  readonly flickers: boolean;
}

export const CLIP_FRAMES = 120;
export const CLIP_RATE = 30;
const SECOND = CLIP_RATE;

const still = { cuts: [], camera: () => 0, flickers: false } as const;
const share = (frame: number): number => frame / (CLIP_FRAMES - 1);
const onLine = (x: number, y = 0.55) => ({ x, y });

/** Twelve ways of moving: even, fast, speeding up, slowing down, turning, resting, leaving, arriving, cut, followed, disturbed. */
export const SUBJECT_CLIPS: readonly SubjectClip[] = [
  { ...still, name: "at an even pace", at: (frame) => onLine(0.15 + 0.7 * share(frame)) },
  { ...still, name: "fast, then at rest", at: (frame) => onLine(Math.min(0.82, 0.15 + (0.5 * frame) / SECOND)) },
  { ...still, name: "speeding up", at: (frame) => onLine(0.1 + 0.75 * share(frame) ** 2) },
  { ...still, name: "slowing down", at: (frame) => onLine(0.88 - 0.7 * (1 - (1 - share(frame)) ** 2)) },
  {
    ...still,
    name: "going round",
    at: (frame) => ({
      x: 0.5 + 0.3 * Math.sin(2 * Math.PI * share(frame)),
      y: 0.5 + 0.25 * Math.cos(2 * Math.PI * share(frame)),
    }),
  },
  { ...still, name: "turning back", at: (frame) => onLine(0.2 + 0.5 * (1 - Math.abs(1 - 2 * share(frame)))) },
  { ...still, name: "at rest, well to the left", at: () => onLine(0.22) },
  { ...still, name: "leaving", at: (frame) => onLine(0.4 + 0.9 * share(frame)) },
  { ...still, name: "arriving late", at: (frame) => onLine(Math.min(0.7, -0.3 + 1.4 * share(frame))) },
  {
    ...still,
    name: "in three pictures",
    cuts: [40, 85],
    at: (frame) =>
      frame < 40
        ? onLine(0.2 + 0.002 * frame)
        : frame < 85
          ? onLine(0.8 - 0.002 * (frame - 40), 0.4)
          : onLine(0.35 + 0.004 * (frame - 85)),
  },
  {
    ...still,
    name: "before a camera that turns",
    camera: (frame) => 0.35 * share(frame),
    at: (frame) => onLine(0.3 + 0.35 * share(frame)),
  },
  {
    ...still,
    name: "while something flickers in a corner",
    flickers: true,
    at: (frame) => onLine(0.8 - 0.55 * share(frame), 0.6),
  },
];

const WIDTH = 96;
const HEIGHT = 54;
const RADIUS = 6;
const GROUNDS = [
  [96, 120, 92],
  [150, 132, 110],
  [90, 104, 130],
] as const;

/** A frame: a mottled ground, a red and cream ball on it, and the noise of a camera. */
export function subjectFrame(clip: SubjectClip, frame: number): SmallFrame {
  const rgb = new Uint8Array(WIDTH * HEIGHT * 3);
  const picture = clip.cuts.filter((cut) => cut <= frame).length;
  const ground = GROUNDS[picture % GROUNDS.length] ?? GROUNDS[0];
  const { x: middleX, y: middleY } = clip.at(frame);
  const noise = randomFrom(frame * 7919 + 13);
  const moved = clip.camera(frame) * WIDTH;
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const [across, down] = [x - middleX * WIDTH, y - middleY * HEIGHT];
      const isSubject = Math.hypot(across, down) < RADIUS;
      const far = x + moved;
      const mottled = 18 * Math.sin(far * 0.35 + picture) * Math.cos(y * 0.31) + 10 * Math.sin(far * 0.11 + y * 0.2);
      const flicker = clip.flickers && x > 88 && y < 6 && frame % 12 < 6 ? 90 : 0;
      for (let channel = 0; channel < 3; channel++) {
        const ball = across + down > 2 ? [236, 222, 196] : [188, 62, 44];
        const value = isSubject ? (ball[channel] ?? 0) : (ground[channel] ?? 0) + mottled + flicker;
        rgb[(y * WIDTH + x) * 3 + channel] = Math.min(255, Math.max(0, Math.round(value + (noise() - 0.5) * 12)));
      }
    }
  return { width: WIDTH, height: HEIGHT, rgb };
}

/** A clip as it is sampled. @param step frames between two samples */
export function sampledClip(clip: SubjectClip, step: number): SampledPiece[] {
  const starts = [0, ...clip.cuts];
  return starts.map((from, piece) => {
    const to = starts[piece + 1] ?? CLIP_FRAMES;
    const count = Math.ceil((to - from) / step);
    return { from, frames: Array.from({ length: count }, (_, at) => subjectFrame(clip, from + at * step)) };
  });
}

const PICTURE = { width: 1920, height: 1080 };
const VERTICAL = { width: 1080, height: 1920 };

/** Of the frames in which the subject can be in the middle 60 % of a vertical crop, the share in which it is. */
export function keptShare(clip: SubjectClip, focalAt: (frame: number) => Point): number {
  const across = coverPart(PICTURE, VERTICAL).width;
  let [kept, count] = [0, 0];
  for (let frame = 0; frame < CLIP_FRAMES; frame++) {
    const x = clip.at(frame).x * PICTURE.width;
    if (x < across * 0.2 || x > PICTURE.width - across * 0.2) continue;
    const part = coverPart(PICTURE, VERTICAL, focalAt(frame));
    const place = (x - part.x) / part.width;
    count++;
    if (place >= 0.2 && place <= 0.8) kept++;
  }
  return kept / count;
}
