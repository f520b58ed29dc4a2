import { type RelayedFrame } from "./relayedClips";
import { type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { type Size } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { type Quality } from "../../core/placement/quality";
import { type Finding } from "../../core/preflight/finding";
import { type Mix } from "../../core/sound/mixedPiece";
import { type ProofSheet } from "../../core/scene/proofSheet";

/**
 * Where a stage stands while it does not play: at a time in milliseconds, or at the settled moment of a scene, counted
 * from 0.
 */
export type Rest = { readonly time: number } | { readonly scene: number };

/** What a page tells of one stage: a promotion shown in a canvas for each of its formats, in step. */
export type ToStage =
  /**
   * Opens it. A preview is painted whole or not at all, and waits for those that came into view after it. Stages `of` the
   * same promotion take over what was prepared for the ones before.
   */
  | { readonly kind: "open"; readonly isPreview: boolean; readonly of?: string | undefined }
  /** How large a format is shown, in pixels; null where it is no more. In another size than before it is painted anew. */
  | { readonly kind: "size"; readonly format: FormatName; readonly size: Size | null }
  /** Facts are left out where they are the same as before. */
  | { readonly kind: "show"; readonly document: Promotion; readonly facts?: Facts | undefined; readonly rest: Rest }
  | { readonly kind: "rest"; readonly rest: Rest }
  /** Has the settled moment of every scene painted at a size a format, now and whenever it changes; none stops it. */
  | { readonly kind: "wall"; readonly sizes: Readonly<Partial<Record<FormatName, Size>>> }
  /** Plays from a time in milliseconds; `at` is when that was, in milliseconds since 1970. */
  | { readonly kind: "play"; readonly from: number; readonly at: number }
  | { readonly kind: "frame"; readonly ask: number; readonly format: FormatName; readonly quality: Quality }
  /** A frame of a clip that the page decoded, where the worker can't. */
  | { readonly kind: "clip frame"; readonly sent: RelayedFrame; readonly bitmap: ImageBitmap }
  | { readonly kind: "close" };

/** What was painted of a format, for whoever shows it. */
export interface PaintedFrame {
  readonly format: FormatName;
  readonly bitmap: ImageBitmap;
}

/** What the worker tells of one stage. */
export type StageNews =
  /** What was shown is prepared: as sheets, with what was found in it. */
  | {
      readonly kind: "prepared";
      readonly sheets: readonly ProofSheet[];
      readonly findings: readonly Finding[];
      /** What is heard. */
      readonly mix: Mix;
      readonly length: number;
      /** Where it stands, in milliseconds. */
      readonly time: number;
    }
  /** All that was found, after frames were looked at too. */
  | { readonly kind: "found"; readonly findings: readonly Finding[] }
  /** The present moment, in the formats in which it looks different: they belong together. */
  | { readonly kind: "painted"; readonly frames: readonly PaintedFrame[] }
  /** A cell of the wall. `scene` is counted from 0. */
  | { readonly kind: "cell"; readonly format: FormatName; readonly scene: number; readonly bitmap: ImageBitmap }
  /** It was painted with all that it shows, after it was told to show or rest. */
  | { readonly kind: "shown" }
  | { readonly kind: "ended" }
  | { readonly kind: "failed"; readonly reason: string }
  | { readonly kind: "frame"; readonly ask: number; readonly blob: Blob | null; readonly reason: string }
  /** Asks the page for a frame of a clip. */
  | { readonly kind: "want clip"; readonly wanted: RelayedFrame };

/** What a page tells the worker of a stage, by its name. */
export interface ToProofs {
  readonly stage: string;
  readonly message: ToStage;
}

interface NewsOfStage {
  readonly kind: "stage";
  readonly stage: string;
  readonly news: StageNews;
}
/** What the worker tells back: first that it listens. What it is told before that would be lost. */
export type FromProofs = { readonly kind: "ready" } | NewsOfStage;
