import { type ClipNode, type DisplayList, everyNode, sameFrame } from "../../core/scene/displayList";
import { formatOf } from "../../core/placement/formats";
import { outputSize } from "../../core/placement/quality";
import { type Size } from "../../core/geometry/rect";
import { type PreparedPromotion, displayListAt } from "../../core/scene/preparePromotion";
import { type ClipFacts } from "../../core/document/facts";
import { createPainter } from "../../paint/painter";
import { workKey } from "../storage/keys";
import { store } from "../storage/store";
import { type ClipReader, readClip } from "./clipReader";
import { nodeResources, nodeSurface } from "./nodeResources";
import { preparedInput } from "./preparedInput";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { type Ticks } from "../../core/time/ticks";

/** Frames of a promotion in one format, painted one after another on the server. */
export interface FrameSource {
  /** RGBA of the frame at a time. Valid until the next call. */
  frameAt(time: Ticks): Promise<Uint8Array>;
  /** The frame as PNG. */
  pngAt(time: Ticks): Promise<Buffer>;
  stop(): void;
}

/** Prepares a promotion in a format for painting at `size` pixels (the output's own when absent). */
export const openFrameSource = async (
  input: RenderInput,
  { format, quality }: OutputChoice,
  size: Size = outputSize(format, quality),
): Promise<FrameSource> => frameSource(await preparedInput(input, format), input, size);

/** As `openFrameSource`, of what is prepared already. @param input what it was prepared from */
export function frameSource(prepared: PreparedPromotion, input: RenderInput, size: Size): FrameSource {
  const { format } = prepared;
  const resources = nodeResources(input.hashes);
  const painter = createPainter(formatOf(format), size, resources);
  const surface = nodeSurface(size.width, size.height);
  const scale = Math.min(size.width / formatOf(format).width, size.height / formatOf(format).height);
  const readers = new Map<string, ClipReader>();
  let painted: { list: DisplayList; pixels: Uint8Array | null } | null = null;

  async function paint(time: Ticks): Promise<void> {
    const list = displayListAt(prepared, time);
    if (painted && sameFrame(painted.list, list)) return;
    await resources.load(list, scale);
    for (const node of everyNode(list)) if (node.kind === "clip") await showClipFrame(node);
    painter.paint(list, surface.context);
    painted = { list, pixels: null };
  }

  async function showClipFrame(node: ClipNode): Promise<void> {
    const facts = input.facts.media[node.media];
    if (facts?.kind !== "clip") return;
    let reader = readers.get(node.use);
    if (!reader) readers.set(node.use, (reader = await startReader(node, facts)));
    const pixels = await reader.frame(node.frame);
    if (pixels) resources.setClipFrame(node, pixels, reader);
  }

  /** Decodes at the size the frame is drawn at, never larger than the clip is. */
  async function startReader(node: ClipNode, { rate, frames }: ClipFacts): Promise<ClipReader> {
    const scale = Math.min(
      1,
      (node.place.width / node.part.width) *
        Math.max(size.width / formatOf(format).width, size.height / formatOf(format).height),
    );
    const even = (length: number): number => Math.max(2, 2 * Math.round((length * scale) / 2));
    const path = await store().local(workKey(input.hashes[node.media] ?? ""));
    return readClip({ path, rate, frames, width: even(node.width), height: even(node.height) });
  }

  return {
    async frameAt(time) {
      await paint(time);
      if (!painted) throw new Error("Nothing was painted.");
      // A frame equal to the one before is neither painted nor read back again.
      painted.pixels ??= surface.canvas.data();
      return painted.pixels;
    },
    async pngAt(time) {
      await paint(time);
      return surface.canvas.encode("png");
    },
    stop: () => readers.forEach((reader) => reader.stop()),
  };
}
