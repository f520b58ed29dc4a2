import { wcagLuminance } from "culori";

/** Light adds up, so a colour's luminance is the sum of its channels' own. */
const channel = (name: "r" | "g" | "b"): Float64Array =>
  Float64Array.from({ length: 256 }, (_, byte) => wcagLuminance({ mode: "rgb", r: 0, g: 0, b: 0, [name]: byte / 255 }));
const [RED, GREEN, BLUE] = [channel("r"), channel("g"), channel("b")];

/** Relative luminance (WCAG 2.2) of channels 0 to 255, by culori: an outside source for tests. */
export const luminance = (r: number, g: number, b: number): number =>
  (RED[r] as number) + (GREEN[g] as number) + (BLUE[b] as number);
