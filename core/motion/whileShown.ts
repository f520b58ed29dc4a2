/** How a thing moves while it is on screen. */
export const WHILES = ["still", "sway", "pulse", "bob", "spin", "drift", "breathe", "wobble", "float"] as const;
export type While = (typeof WHILES)[number];

/** What it does to a thing at a moment. */
export interface WhileState {
  /** Degrees, clockwise. */
  readonly angle: number;
  readonly scale: number;
  /** Design units, to the right and downwards. */
  readonly dx: number;
  readonly dy: number;
}

const AT_REST: WhileState = { angle: 0, scale: 1, dx: 0, dy: 0 };
/** How long one round takes. All are slow: nothing flashes. */
const ROUND_MS: Readonly<Record<Exclude<While, "still">, number>> = {
  sway: 1800,
  pulse: 1400,
  bob: 1600,
  spin: 8000,
  drift: 5000,
  breathe: 3600,
  wobble: 900,
  float: 4200,
};
const SWAY_DEGREES = 7;
const PULSE = 0.07;
const BOB = 12;
const DRIFT = 18;
const BREATH = 0.03;
const WOBBLE_DEGREES = 3;
const FLOAT_DEGREES = 2.5;

/** @param time milliseconds since it came in */
export function whileShown(kind: While, time: number): WhileState {
  if (kind === "still") return AT_REST;
  const share = time / ROUND_MS[kind];
  // Rounded, because platforms differ in the last bits of a sine.
  const wave = Math.round(Math.sin(2 * Math.PI * share) * 1e6) / 1e6;
  switch (kind) {
    case "sway":
      return { ...AT_REST, angle: SWAY_DEGREES * wave };
    case "pulse":
      return { ...AT_REST, scale: 1 + PULSE * wave };
    case "bob":
      return { ...AT_REST, dy: BOB * wave };
    case "drift":
      return { ...AT_REST, dx: DRIFT * wave };
    case "breathe":
      return { ...AT_REST, scale: 1 + BREATH * wave };
    case "wobble":
      return { ...AT_REST, angle: WOBBLE_DEGREES * wave };
    case "float":
      return { ...AT_REST, dy: BOB * wave, angle: FLOAT_DEGREES * wave };
    case "spin":
      return { ...AT_REST, angle: 360 * (share % 1) };
  }
}
