import { type Ticks } from "./ticks";

/** Something that is there from one time until, but not at, another. */
export interface Span<What> {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly what: What;
}

/** What is there over time. Any number of spans may overlap; of those that do, the later lies on top. */
export type Track<What> = readonly Span<What>[];

/** What is there at a time, from the bottom up. */
export const spansAt = <What>(track: Track<What>, time: Ticks): Span<What>[] =>
  track.filter(({ from, to }) => from <= time && time < to);

/** The times at which something comes or goes on any of some tracks, in order, each once. */
export const turns = (tracks: readonly Track<unknown>[]): Ticks[] =>
  [...new Set(tracks.flatMap((track) => track.flatMap(({ from, to }) => [from, to])))].sort(
    (one, other) => one - other,
  );
