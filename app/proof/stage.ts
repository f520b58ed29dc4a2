import { type Facts } from "../../core/document/facts";
import { formatsInOrder } from "../../core/document/formatList";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion, resolvePromotion } from "../../core/document/resolve";
import { withSameMembers } from "../../core/document/withSameMembers";
import { type Size } from "../../core/geometry/rect";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { outputSize, pixelsPerUnit, type Quality } from "../../core/placement/quality";
import { type Finding } from "../../core/preflight/finding";
import { type FindingMemory, findingsOf } from "../../core/preflight/findings";
import { inOrder } from "../../core/preflight/inOrder";
import { type ClipNode, type DisplayList, clipsIn, sameFrame } from "../../core/scene/displayList";
import {
  type PreparationMemory,
  type PreparedPromotion,
  displayListAt,
  newMemory,
  preparePromotion,
  settledTime,
} from "../../core/scene/preparePromotion";
import { sheetOf } from "../../core/scene/proofSheet";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { type Ticks, ticksOf } from "../../core/time/ticks";
import { type Painter, createPainter } from "../../paint/painter";
import { browserBook, openFiles } from "./browserBook";
import { openFrameChecker } from "./frameChecker";
import { toFrameStart } from "./frameStart";
import { type PictureCache, browserResources } from "./browserResources";
import { withShownTones } from "./browserTones";
import { type ClipFrames } from "./clipFrames";
import { nextScreen } from "./nextScreen";
import { paintedBitmap } from "./paintedBitmap";
import { type PaintedFrame, type Rest, type StageNews } from "./proofMessages";
import { type Wall, openWall } from "./wall";

/** A promotion painted in each of its formats, in step. It runs where there is no page: in a worker. */
export interface Stage {
  /** How large a format is painted, in pixels; null where it is painted no more. */
  size(format: FormatName, size: Size | null): void;
  /** Resolves when it is painted, or overtaken by what is to be shown next. */
  show(document: Promotion, facts: Facts, rest: Rest): Promise<void>;
  rest(rest: Rest): Promise<void>;
  /** Has the settled moment of every scene painted, at a size a format; none stops it. */
  wall(sizes: Readonly<Partial<Record<FormatName, Size>>>): void;
  /** @param at when it was at `from`, on this worker's clock */
  play(from: number, at: number): void;
  /** Paints the next frame of what plays. Gives whether it goes on. */
  tick(now: number): boolean;
  /** The present frame at an output's full size, exactly as it will render. */
  frame(format: FormatName, quality: Quality): Promise<Blob>;
  close(): void;
}

interface Screen {
  readonly size: Size;
  readonly painter: Painter;
  painted: DisplayList | null;
}

/** What was prepared, and what was found in it, for whoever shows the same again. */
export interface StageMemory {
  readonly prepared: PreparationMemory;
  readonly found: FindingMemory;
}
export const newStageMemory = (): StageMemory => ({ prepared: newMemory(), found: new WeakMap() });

export interface StageParts {
  readonly isPreview: boolean;
  readonly memory: StageMemory;
  /** Whether every frame is looked at while nobody does anything. */
  readonly checksFrames: boolean;
  readonly pictures: PictureCache;
  readonly openClips: (factsOf: () => Facts | null) => ClipFrames;
  readonly say: (news: StageNews) => void;
}

/** How long a painted moment stays while clips are late, in milliseconds. */
const LONGEST_HOLD = 1000;
/** Frames are checked when nothing was changed and nothing has played for so long, in milliseconds. */
const QUIET_MS = 2500;

export function openStage({ isPreview, memory, checksFrames, pictures, openClips, say }: StageParts): Stage {
  const screens = new Map<FormatName, Screen>();
  /** Facts as they were given last, and with what was measured of the pictures that are shown. */
  let asGiven: Facts | null = null;
  let facts: Facts | null = null;
  /** What it was told to show last. */
  let lastTold: Promotion | null = null;
  let prepared: readonly PreparedPromotion[] = [];
  let shown: ResolvedPromotion | null = null;
  let length = 0;
  /** The present moment, in milliseconds. */
  let time = 0;
  let playing: { readonly from: number; readonly at: number } | null = null;
  /** When a moment of what plays was painted last, on this worker's clock. */
  let paintedAt = 0;
  /** Where it rests, or rests again when nothing plays. */
  let resting: Rest = { scene: 0 };
  /** What is shown and where it stands are overtaken each by the next of its own: who goes elsewhere gives up no change. */
  let showing = 0;
  let turn = 0;
  let isClosed = false;

  let wall: Wall | null = null;
  /** What was found by preparing, and what was found last in frames. */
  let findings: readonly Finding[] = [];
  let inFrames: readonly Finding[] = [];
  const clips = openClips(() => facts);
  const resources = browserResources(pictures, clips.image, () => facts);

  const checker = openFrameChecker({
    pictures,
    openClips,
    factsOf: () => facts,
    give(found) {
      if (found.length === 0 && inFrames.length === 0) return;
      inFrames = found;
      say({ kind: "found", findings: allFindings() });
    },
    turn: (isFirst) => whenQuiet(isFirst ? QUIET_MS : 0),
  });
  /** Where a scene is gone, what was found in its frames is too. */
  function allFindings(): Finding[] {
    const ids = new Set(shown?.scenes.map(({ id }) => id));
    const stillThere = inFrames.filter(({ where }) => where.scene === null || ids.has(where.scene));
    return shown ? inOrder([...findings, ...stillThere], shown) : [];
  }
  const whenQuiet = async (ms: number): Promise<void> => {
    do await new Promise((resolve) => setTimeout(resolve, playing ? QUIET_MS : ms));
    while (playing && !isClosed);
  };

  /** What was made of a moment: whoever asks for it again gets the very same. */
  let moment: {
    readonly of: typeof prepared;
    readonly at: Ticks;
    readonly lists: Map<FormatName, DisplayList>;
  } | null = null;
  function listOf(format: FormatName, at: Ticks): DisplayList | null {
    if (moment?.of !== prepared || moment.at !== at) moment = { of: prepared, at, lists: new Map() };
    const known = moment.lists.get(format);
    const own = prepared.find((one) => one.format === format);
    if (known || !own) return known ?? null;
    const list = displayListAt(own, at);
    moment.lists.set(format, list);
    return list;
  }

  /** The clips on screen, with the frame that each is to show; the same in every format. */
  function clipNodes(at: Ticks): ClipNode[] {
    const [first] = prepared;
    return clipsIn((first && listOf(first.format, at)) ?? []);
  }

  /** Paints each format whose frame has changed; fetches what is missing and paints again when it is here. */
  async function paintAll(force: boolean): Promise<void> {
    const at = ticksOf(time);
    const made: Promise<PaintedFrame>[] = [];
    for (const [format, screen] of screens) {
      const list = listOf(format, at);
      if (!list || (!force && screen.painted && sameFrame(screen.painted, list))) continue;
      const scale = pixelsPerUnit(format, screen.size);
      const isWhole = resources.has(list, scale);
      if (!isWhole) resources.load(list, scale).then(paintChanged, fail);
      made.push(frameOf(format, screen, list));
      screen.painted = isWhole ? list : null;
    }
    if (made.length > 0) say({ kind: "painted", frames: await Promise.all(made) });
  }

  const paintChanged = (): void => void paintAll(false).catch(fail);

  const frameOf = async (format: FormatName, { painter, size }: Screen, list: DisplayList): Promise<PaintedFrame> => ({
    format,
    bitmap: await paintedBitmap(painter, size, list),
  });

  const fail = (error: unknown): void => {
    if (!isClosed) say({ kind: "failed", reason: error instanceof Error ? error.message : String(error) });
  };

  /** Fetches everything that the present moment shows. */
  async function loadAll(): Promise<void> {
    const at = ticksOf(time);
    await Promise.all([
      clips.exact(clipNodes(at)),
      ...[...screens].map(([format, screen]) => {
        const list = listOf(format, at);
        return list ? resources.load(list, pixelsPerUnit(format, screen.size)) : null;
      }),
    ]);
  }

  /** Paints the present moment once all that it shows is here; what is here already, a desk paints at once. */
  async function settle(mine: number): Promise<void> {
    if (!isPreview) await paintAll(false);
    await loadAll();
    if (mine !== turn || playing) return;
    // The nodes of clips say which frames they show, not whether these were here when they were painted.
    const isWhole = [...screens.values()].every(({ painted }) => painted !== null);
    if (!isWhole || clipNodes(ticksOf(time)).length > 0) await paintAll(true);
    // A gallery has many previews: what is not played keeps no decoder.
    if (isPreview) clips.close();
    say({ kind: "shown" });
    if (!isPreview) for (const { painter } of screens.values()) painter.prepare();
  }

  function timeOf(rest: Rest): number {
    if ("time" in rest) return toFrame(rest.time);
    const span = prepared[0]?.spans[rest.scene] ?? prepared[0]?.spans[0];
    return span ? toFrame(settledTime(span)) : 0;
  }

  const toFrame = (ms: number): number => toFrameStart(ms, length);

  async function show(told: Promotion, given: Facts, rest: Rest): Promise<void> {
    const mine = ++showing;
    const document = (lastTold = withSameMembers(lastTold, told));
    turn++;
    resting = rest;
    const known = facts && asGiven === given ? facts : given;
    const plain = resolvePromotion(document, known);
    const [book, toned] = await Promise.all([browserBook(), withShownTones(plain, known)]);
    const promotion: ResolvedPromotion = toned === known ? plain : resolvePromotion(document, toned);
    for (let wanted = fontFilesWanted(promotion, book); wanted.length > 0; wanted = fontFilesWanted(promotion, book)) {
      if (mine !== showing) return;
      await openFiles(book, wanted);
    }
    if (mine !== showing) return;
    asGiven = given;
    facts = toned;
    prepared = formatsInOrder(document).map((format) => preparePromotion(promotion, format, book, memory.prepared));
    shown = promotion;
    ({ length } = promotion);
    time = playing ? Math.min(time, length) : timeOf(resting);
    // Whoever types looks at the proofs: findings and what the page makes of them come after.
    if (!playing && !isPreview) {
      await paintAll(false);
      if (screens.size > 0) await nextScreen();
    }
    await wall?.paintFirst(prepared);
    if (mine !== showing) return;
    findings = findingsOf({ document, promotion }, prepared, memory.found);
    say({
      kind: "prepared",
      sheets: prepared.map(sheetOf),
      findings: allFindings(),
      mix: promotion.mix,
      length,
      time,
    });
    if (!playing) await settle(++turn);
    if (mine !== showing) return;
    paintWall();
    if (checksFrames) checker.check(promotion, prepared).catch(fail);
  }

  function paintWall(): void {
    wall?.paint(prepared).catch(fail);
  }

  return {
    size(format, size) {
      const { width, height } = screens.get(format)?.size ?? {};
      if (size?.width === width && size?.height === height) return;
      screens.delete(format);
      if (!size) return;
      screens.set(format, { size, painter: createPainter(formatOf(format), size, resources), painted: null });
      if (!isPreview) paintChanged();
    },
    show: (document, given, rest) => show(document, given, rest).catch(fail),
    rest(to) {
      resting = to;
      playing = null;
      time = timeOf(to);
      return settle(++turn).catch(fail);
    },
    wall(sizes) {
      wall ??= openWall({
        pictures,
        openClips,
        factsOf: () => facts,
        give: (format, scene, bitmap) => say({ kind: "cell", format, scene, bitmap }),
        pause: () => new Promise((resolve) => setTimeout(resolve)),
      });
      wall.resize(sizes);
      if (prepared.length > 0) paintWall();
    },
    play(from, at) {
      turn++;
      playing = { from, at };
      paintedAt = at;
    },
    tick(now) {
      if (!playing || isClosed) return false;
      const passed = playing.from + (now - playing.at);
      if (passed >= length) {
        playing = null;
        say({ kind: "ended" });
        return false;
      }
      time = toFrame(Math.max(0, passed));
      const clipsShown = clipNodes(ticksOf(time));
      clips.want(clipsShown);
      // A moment whose clips are late is left out, as long as that is not seen to stand: what is shown belongs together.
      if (!clips.areNear(clipsShown) && now - paintedAt < LONGEST_HOLD) return true;
      paintedAt = now;
      // A clip's frame may have come since this moment was painted.
      paintAll(clipsShown.length > 0).catch(fail);
      return true;
    },
    async frame(format, quality) {
      const at = ticksOf(time);
      const list = listOf(format, at);
      if (!list) throw new Error("The proof is not there yet.");
      const size = outputSize(format, quality);
      await Promise.all([resources.load(list, pixelsPerUnit(format, size)), clips.exact(clipNodes(at))]);
      const canvas = new OffscreenCanvas(size.width, size.height);
      const context = canvas.getContext("2d", { willReadFrequently: true });
      if (!context) throw new Error("This browser gives no canvas to paint on.");
      createPainter(formatOf(format), size, resources).paint(list, context);
      return canvas.convertToBlob({ type: "image/png" });
    },
    close() {
      isClosed = true;
      showing++;
      turn++;
      playing = null;
      clips.close();
      wall?.close();
      checker.close();
      screens.clear();
    },
  };
}
