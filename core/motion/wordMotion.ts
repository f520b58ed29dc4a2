import { type Easing, type WordEase, glide, leave, settle } from "./easing";

/** What motion does to a thing at a moment: how visible it is, how far it is moved (design units), scaled and turned. */
export interface MotionState {
  readonly alpha: number;
  readonly dx: number;
  readonly dy: number;
  readonly scale: number;
  /** Degrees, clockwise. */
  readonly angle: number;
}

export const AT_REST: MotionState = { alpha: 1, dx: 0, dy: 0, scale: 1, angle: 0 };

export const ENTRANCE_MS = 450;
export const EXIT_MS = 300;
/** Between one line or thing and the next. */
export const STAGGER_MS = 90;
const RISE = 36;

/** How a thing comes in. */
export const MOTIONS = [
  "rise",
  "fall",
  "slide",
  "slide back",
  "pop",
  "spring",
  "come near",
  "drop",
  "swing",
  "turn in",
  "fly up",
  "fade",
  "still",
] as const;
export type MotionKind = (typeof MOTIONS)[number];

/** How a thing goes; as it came where nothing else is said. */
export const EXITS = [
  "as it came",
  "fade",
  "rise",
  "fall",
  "slide on",
  "slide back",
  "shrink",
  "grow",
  "swing away",
  "turn away",
  "fly up",
  "drop away",
  "at once",
] as const;
export type ExitKind = (typeof EXITS)[number];

type Moved = Partial<Omit<MotionState, "alpha">>;

/** @param away how much of the way is left, 1 to 0, eased @param time of the entrance, 0 to 1 */
const ENTRANCES: Readonly<Record<Exclude<MotionKind, "still">, (away: number, time: number) => Moved>> = {
  rise: (away) => ({ dy: RISE * away }),
  fall: (away) => ({ dy: -RISE * away }),
  slide: (away) => ({ dx: -1.6 * RISE * away }),
  "slide back": (away) => ({ dx: 1.6 * RISE * away }),
  pop: (away) => ({ scale: 1 - 0.25 * away }),
  spring: (_, time) => ({ scale: 0.6 + 0.4 * overshot(time) }),
  "come near": (away) => ({ scale: 1 + 0.35 * away }),
  drop: (_, time) => ({ dy: -3 * RISE * (1 - bounced(time)) }),
  swing: (away) => ({ angle: -14 * away, dy: RISE * 0.5 * away }),
  "turn in": (away) => ({ angle: 60 * away, scale: 1 - 0.3 * away }),
  "fly up": (away) => ({ dy: 5 * RISE * away }),
  fade: () => ({}),
};

/** @param left how much of the way is gone, 0 to 1, eased */
const GOING: Readonly<Record<Exclude<ExitKind, "as it came" | "at once">, (left: number) => Moved>> = {
  fade: () => ({}),
  rise: (left) => ({ dy: -RISE * left }),
  fall: (left) => ({ dy: RISE * left }),
  "slide on": (left) => ({ dx: 1.6 * RISE * left }),
  "slide back": (left) => ({ dx: -1.6 * RISE * left }),
  shrink: (left) => ({ scale: 1 - 0.4 * left }),
  grow: (left) => ({ scale: 1 + 0.35 * left }),
  "swing away": (left) => ({ angle: 14 * left, dy: RISE * 0.5 * left }),
  "turn away": (left) => ({ angle: -60 * left, scale: 1 - 0.3 * left }),
  "fly up": (left) => ({ dy: -5 * RISE * left }),
  "drop away": (left) => ({ dy: 5 * RISE * left }),
};

/** How a thing goes that goes as it came: only what rose, fell or popped does more than fade. */
const AS_IT_CAME: Readonly<Partial<Record<MotionKind, (left: number) => Moved>>> = {
  rise: (left) => ({ dy: -RISE * 0.5 * left }),
  fall: (left) => ({ dy: RISE * 0.5 * left }),
  pop: (left) => ({ scale: 1 - 0.1 * left }),
};

/** When a thing comes in and has left (Infinity for one that stays to the end), and how. Milliseconds. */
export interface Presence {
  readonly from: number;
  readonly until: number;
  readonly exit?: ExitKind | undefined;
  /** Times the usual way that it goes; 1 where it is not said. */
  readonly strength?: number | undefined;
  /** How its entrance goes on; settling where it is not said. */
  readonly ease?: WordEase | undefined;
}

const EASES: Readonly<Record<WordEase, Easing>> = {
  settling: settle,
  even: (progress) => Math.min(1, Math.max(0, progress)),
  gentle: glide,
};

/** A thing's entrance and exit. @param time milliseconds, as those of its presence */
export function motionAt(kind: MotionKind, time: number, presence: Presence): MotionState {
  const { from, until, exit = "as it came", strength = 1, ease = "settling" } = presence;
  const arrived = (time - from) / ENTRANCE_MS;
  const entered = kind === "still" ? 1 : EASES[ease](arrived);
  const left = leavesAtOnce(kind, exit) ? 0 : leave((time - (until - EXIT_MS)) / EXIT_MS);
  if (entered >= 1 && arrived >= 1 && left <= 0) return AT_REST;
  const coming: Moved = kind === "still" || arrived >= 1 ? {} : ENTRANCES[kind](1 - entered, Math.max(0, arrived));
  const going = left > 0 ? goingBy(kind, exit)(left) : {};
  return {
    alpha: Math.min(1, entered * 1.4) * (1 - left),
    dx: strength * ((coming.dx ?? 0) + (going.dx ?? 0)),
    dy: strength * ((coming.dy ?? 0) + (going.dy ?? 0)),
    scale: Math.max(0, 1 + strength * ((coming.scale ?? 1) * (going.scale ?? 1) - 1)),
    angle: strength * ((coming.angle ?? 0) + (going.angle ?? 0)),
  };
}

const leavesAtOnce = (kind: MotionKind, exit: ExitKind): boolean =>
  exit === "at once" || (exit === "as it came" && kind === "still");

function goingBy(kind: MotionKind, exit: ExitKind): (left: number) => Moved {
  if (exit === "at once") return () => ({});
  return exit === "as it came" ? (AS_IT_CAME[kind] ?? GOING.fade) : GOING[exit];
}

/** A cubic that goes a tenth too far and comes back (Penner's “back” easing, at its end). */
function overshot(time: number): number {
  const back = Math.min(1, time) - 1;
  return 1 + 2.70158 * back ** 3 + 1.70158 * back ** 2;
}

/** A fall that bounces three times, each by a parabola (Penner's “bounce” easing, at its end). */
function bounced(time: number): number {
  const t = Math.min(1, time) * 2.75;
  if (t < 1) return t ** 2;
  if (t < 2) return (t - 1.5) ** 2 + 0.75;
  return t < 2.5 ? (t - 2.25) ** 2 + 0.9375 : (t - 2.625) ** 2 + 0.984375;
}
