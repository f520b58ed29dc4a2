import { type Beats } from "../../core/sound/beats";

/** What the page asks of the worker that finds beats. */
export interface AskedBeats {
  /** The media item. */
  readonly sound: string;
}

/** What it answers; null where there is no beat, or the sound can't be had. */
export interface FoundBeats {
  readonly sound: string;
  readonly beats: Beats | null;
}
