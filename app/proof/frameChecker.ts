import { type Facts } from "../../core/document/facts";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { formatOf } from "../../core/placement/formats";
import { pixelsPerUnit } from "../../core/placement/quality";
import { type Finding } from "../../core/preflight/finding";
import { checkFrames, checkedSize } from "../../core/preflight/frameChecks";
import { canBeLively } from "../../core/preflight/livelyFrames";
import { type DisplayList, clipsIn, sameFrame } from "../../core/scene/displayList";
import { type PreparedPromotion, displayListAt } from "../../core/scene/preparePromotion";
import { type Ticks } from "../../core/time/ticks";
import { createPainter } from "../../paint/painter";
import { type PictureCache, browserResources } from "./browserResources";
import { type ClipFrames } from "./clipFrames";

/** Paints every frame of what is shown, small, and tells what is found in them, while nobody waits for anything else. */
export interface FrameChecker {
  /** Checks from the start. A later call overtakes it. */
  check(promotion: ResolvedPromotion, prepared: readonly PreparedPromotion[]): Promise<void>;
  close(): void;
}

export interface FrameCheckerParts {
  readonly pictures: PictureCache;
  readonly openClips: (factsOf: () => Facts | null) => ClipFrames;
  readonly factsOf: () => Facts | null;
  readonly give: (found: readonly Finding[]) => void;
  /** Resolves when it is this one's turn: asked before the first frame and between frames. */
  readonly turn: (isFirst: boolean) => Promise<void>;
}

export function openFrameChecker({ pictures, openClips, factsOf, give, turn }: FrameCheckerParts): FrameChecker {
  let latest = 0;
  const clips = openClips(factsOf);
  const resources = browserResources(pictures, clips.image);

  function framesOf(prepared: PreparedPromotion): (at: Ticks) => Promise<ArrayLike<number>> {
    const size = checkedSize(prepared.format);
    const scale = pixelsPerUnit(prepared.format, size);
    const painter = createPainter(formatOf(prepared.format), size, resources);
    const context = new OffscreenCanvas(size.width, size.height).getContext("2d", { willReadFrequently: true });
    if (!context) throw new Error("This browser gives no canvas to paint on.");
    let painted: { readonly list: DisplayList; readonly rgba: Uint8ClampedArray } | null = null;
    return async (at) => {
      const list = displayListAt(prepared, at);
      if (painted && sameFrame(painted.list, list)) return painted.rgba;
      await turn(false);
      await Promise.all([resources.load(list, scale), clips.exact(clipsIn(list))]);
      painter.paint(list, context);
      painted = { list, rgba: context.getImageData(0, 0, size.width, size.height).data };
      return painted.rgba;
    };
  }

  return {
    async check({ scenes }, formats) {
      const mine = ++latest;
      const isOver = (): boolean => mine !== latest;
      await turn(true);
      if (isOver()) return;
      const found: Finding[] = [];
      for (const prepared of canBeLively(scenes) ? formats : []) {
        const own = await checkFrames({ prepared, scenes, frameAt: framesOf(prepared), isOver });
        await turn(false);
        if (!own) return;
        found.push(...own);
      }
      if (isOver()) return;
      clips.close();
      give(found);
    },
    close() {
      latest++;
      clips.close();
    },
  };
}
