import { withAlpha } from "../color/srgb";
import { type BarLook } from "./prepared";

/** What a bar is drawn in up to now, and from now on. */
export const barInks = ({ ink, opacity, ahead }: BarLook): { readonly gone: string; readonly coming: string } => ({
  gone: opacity === undefined ? ink : withAlpha(ink, opacity),
  coming: withAlpha(ink, ahead * (opacity ?? 1)),
});
