import { type ClipNode, type DisplayList, clipsIn, sameFrame } from "../../core/scene/displayList";
import { formatOf } from "../../core/placement/formats";
import { outputSize, pixelsPerUnit } from "../../core/placement/quality";
import { type Rect, type Size, bottom, intersection, rect, right, wholeOf } from "../../core/geometry/rect";
import { SOFT_PIXELS, changedArea } from "../../core/scene/changedArea";
import { type PreparedPromotion, displayListAt } from "../../core/scene/preparePromotion";
import { type ClipFacts } from "../../core/document/facts";
import { MARGIN, createPainter } from "../../paint/painter";
import { workKey } from "../storage/keys";
import { store } from "../storage/store";
import { type ClipReader, readClip, readableSize } from "./clipReader";
import { type Surface } from "../../paint/resources";
import { nodeResources, nodeSurface, pixelsOn } from "./nodeResources";
import { openComposition } from "./composition";
import { type ClipFrame, type LaidPiece } from "./planar/framePieces";
import { type Rows } from "./planar/frameParts";
import { type FramePart } from "./planar/planarFrames";
import { preparedInput } from "./preparedInput";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { type Ticks } from "../../core/time/ticks";

/** Beyond this share of its rows, reading a frame as a whole costs less than reading rows of it. */
const MOST_ROWS_BY_THEMSELVES = 1 / 4;

/** Frames of a promotion in one format, painted one after another on the server. */
export interface FrameSource {
  /** RGBA of the frame at a time. */
  frameAt(time: Ticks): Promise<Uint8Array>;
  /**
   * Hands on what of the frame at a time may differ from the one asked for before: all of the first; nothing where it is the
   * same. Who takes it uses it at once: a whole frame that outlives the call is given back late.
   *
   * @param around so many rows more are given above and below, as far as there are any
   */
  changesAt(time: Ticks, around: number, take: (part: FramePart) => void): Promise<void>;
  /** The frame as PNG. */
  pngAt(time: Ticks): Promise<Buffer>;
  stop(): void;
}

/** Prepares a promotion in a format for painting at `size` pixels (the output's own when absent). */
export const openFrameSource = async (
  input: RenderInput,
  { format, quality, isMarked }: OutputChoice,
  size: Size = outputSize(format, quality),
): Promise<FrameSource> => frameSource(await preparedInput(input, format, isMarked), input, size);

/** As `openFrameSource`, of what is prepared already. @param input what it was prepared from */
export function frameSource(prepared: PreparedPromotion, input: RenderInput, size: Size): FrameSource {
  const { format } = prepared;
  const resources = nodeResources(input.hashes);
  const painter = createPainter(formatOf(format), size, resources);
  const scale = pixelsPerUnit(format, size);
  const readers = new Map<string, ClipReader>();
  const clipFrames = new Map<string, ClipFrame>();
  const composition = openComposition({ format: formatOf(format), size, scale }, painter, {
    picture: (node, level) => resources.opaquePixels(node, level),
    clipFrame: ({ use }) => clipFrames.get(use) ?? null,
  });
  let painted: { readonly list: DisplayList; readonly surface: Surface; pixels: Uint8Array | null } | null = null;
  /** What changes were told of last. */
  let told: DisplayList | null = null;

  /** Loads what a frame shows. */
  async function load(list: DisplayList): Promise<void> {
    await resources.load(list, scale);
    for (const node of clipsIn(list)) await readClipFrame(node);
  }

  async function paint(time: Ticks) {
    const list = displayListAt(prepared, time);
    if (painted && sameFrame(painted.list, list)) return painted;
    await load(list);
    return paintLoaded(list);
  }

  async function paintLoaded(list: DisplayList) {
    for (const node of clipsIn(list)) await setClipFrame(node);
    return (painted = { list, surface: painter.frame(list), pixels: null });
  }

  const readRows = ({ context }: Surface, from: number, to: number): Uint8Array =>
    new Uint8Array(context.getImageData(MARGIN, MARGIN + from, size.width, to - from).data.buffer);

  /** Some rows of a frame that is painted. Where they are many, what is read is the canvas itself: its memory is given back sooner. */
  function paintedRows(surface: Surface, { from, to }: Rows): LaidPiece {
    const isPart = to - from < size.height * MOST_ROWS_BY_THEMSELVES;
    const pixels = isPart
      ? { bytes: readRows(surface, from, to), width: size.width, height: to - from }
      : pixelsOn(surface);
    const part = isPart ? wholeOf(pixels) : rect(MARGIN, MARGIN + from, size.width, to - from);
    return { kind: "laid", pixels, part, x: 0, y: from, isOpaque: true };
  }

  /** The pixels that an area in design units may reach, and so many rows around them. Null where it reaches none. */
  function placeOf(area: Rect, around: number): Rect | null {
    const { width, height } = formatOf(format);
    const [across, down] = [size.width / width, size.height / height];
    const [x, y] = [Math.floor(area.x * across) - SOFT_PIXELS, Math.floor(area.y * down) - SOFT_PIXELS];
    const [end, last] = [Math.ceil(right(area) * across) + SOFT_PIXELS, Math.ceil(bottom(area) * down) + SOFT_PIXELS];
    const seen = intersection(rect(x, y, end - x, last - y), wholeOf(size));
    return seen && intersection(rect(seen.x, seen.y - around, seen.width, seen.height + 2 * around), wholeOf(size));
  }

  async function readClipFrame(node: ClipNode): Promise<void> {
    const facts = input.facts.media[node.media];
    if (facts?.kind !== "clip") return;
    let reader = readers.get(node.use);
    if (!reader) readers.set(node.use, (reader = await startReader(node, facts)));
    const planes = await reader.planes(node.frame);
    const { width, height } = reader;
    if (planes) clipFrames.set(node.use, { planes, width, height, table: node.table });
  }

  async function setClipFrame(node: ClipNode): Promise<void> {
    const reader = readers.get(node.use);
    if (!reader) return;
    const rows = rowsDrawn(node, reader);
    const pixels = await reader.frame(node.frame, rows);
    if (!pixels) return;
    const bytes = new Uint8Array(pixels.buffer, pixels.byteOffset, pixels.byteLength);
    resources.setClipFrame(node, { bytes, width: reader.width, height: reader.height }, rows);
  }

  /** Rows of a decoded frame that are drawn, and one or two around them. */
  function rowsDrawn({ part, height }: ClipNode, decoded: Size): Rows {
    const toPixels = decoded.height / height;
    const from = Math.max(0, Math.floor(part.y * toPixels) - 2);
    return { from, to: Math.max(from, Math.min(decoded.height, Math.ceil(bottom(part) * toPixels) + 2)) };
  }

  /** Decodes at the size the frame is drawn at, never larger than the clip is. */
  async function startReader(node: ClipNode, { rate, frames }: ClipFacts): Promise<ClipReader> {
    const scale = Math.min(
      1,
      (node.place.width / node.part.width) *
        Math.max(size.width / formatOf(format).width, size.height / formatOf(format).height),
    );
    const path = await store().local(workKey(input.hashes[node.media] ?? ""));
    const decoded = readableSize({ width: node.width * scale, height: node.height * scale });
    return readClip({ path, rate, frames, ...decoded, table: node.table });
  }

  return {
    async frameAt(time) {
      const frame = await paint(time);
      // A frame equal to the one before is neither painted nor read back again.
      return (frame.pixels ??= readRows(frame.surface, 0, size.height));
    },
    async changesAt(time, around, take) {
      const list = displayListAt(prepared, time);
      const before = told;
      if (before && sameFrame(before, list)) return;
      await load(list);
      told = list;
      const area = before ? changedArea(before, list) : wholeOf(formatOf(format));
      const place = area && placeOf(area, around);
      if (!place) return;
      const rows = { from: place.y, to: bottom(place) };
      const pieces = composition.piecesOf(list) ?? [paintedRows((await paintLoaded(list)).surface, rows)];
      take({ place, pieces });
    },
    async pngAt(time) {
      const { surface } = await paint(time);
      const { canvas, context } = nodeSurface(size.width, size.height);
      context.drawImage(surface.image, -MARGIN, -MARGIN);
      return canvas.encode("png");
    },
    stop: () => readers.forEach((reader) => reader.stop()),
  };
}
