import { type Facts } from "../../core/document/facts";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { pixelsPerUnit } from "../../core/placement/quality";
import { type Finding } from "../../core/preflight/finding";
import { checkFrames, checkedSize } from "../../core/preflight/frameChecks";
import { canBeLively, livelyFrames, livelyText } from "../../core/preflight/livelyFrames";
import { type MediaHashes } from "../../core/scene/paintedText";
import { type DisplayList, clipsIn, sameFrame } from "../../core/scene/displayList";
import { type PreparedPromotion, displayListAt } from "../../core/scene/preparePromotion";
import { type Ticks } from "../../core/time/ticks";
import { createPainter } from "../../paint/painter";
import { type PictureCache, browserResources } from "./browserResources";
import { type ClipFrames } from "./clipFrames";
import { smallFrames } from "./smallFrames";

/** Clips are painted from copies with so many pixels on the short side: four for each that is checked. */
const CLIP_SIDE = 144;

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
  const usual = browserResources(pictures, clips.image, factsOf);
  const resources = { ...usual, clipFrame: smallFrames(usual, CLIP_SIDE) };
  /** What was found in each format, and by what. */
  const known = new Map<FormatName, { readonly text: string; readonly found: readonly Finding[] }>();

  /** Paints the frames of a format one after the other. */
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
    async check({ scenes, facts }, formats) {
      const mine = ++latest;
      const isOver = (): boolean => mine !== latest;
      await turn(true);
      if (isOver()) return;
      const ids = scenes.map(({ id }) => id);
      const lively = (canBeLively(scenes) ? formats : []).map((prepared) => {
        const frames = livelyFrames(prepared);
        return { prepared, frames, text: JSON.stringify([ids, livelyText(prepared, frames, namedIn(facts))]) };
      });
      const changed = lively.filter(({ prepared, text }) => known.get(prepared.format)?.text !== text);
      const shapes = changed.map((one) => ({ ...one, frameAt: framesOf(one.prepared) }));
      const found = await checkFrames({ shapes, scenes, isOver });
      await turn(false);
      if (isOver() || !found) return;
      clips.close();
      for (const { prepared, text } of changed)
        known.set(prepared.format, { text, found: found.filter(({ where }) => where.format === prepared.format) });
      give(lively.flatMap(({ prepared }) => known.get(prepared.format)?.found ?? []));
    },
    close() {
      latest++;
      clips.close();
    },
  };
}

/** The browser does not know the bytes of media: a replaced file has another name, or is another size. */
const namedIn = ({ media }: Facts): MediaHashes =>
  Object.fromEntries(Object.entries(media).map(([id, { name }]) => [id, `${id} ${name}`]));
