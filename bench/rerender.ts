import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { applyEdit, fillSlot } from "../core/document/edits";
import { repeatScene } from "../core/document/restructure";
import { scenesInOrder } from "../core/document/sceneList";
import { changeSound, piecesOn } from "../core/document/soundEdits";
import { type Promotion } from "../core/document/promotion";
import { usualOutput } from "../core/output/output";
import { USUAL_FORMATS, type FormatName } from "../core/placement/formats";
import { type SegmentPainter } from "../server/render/segmentPainter";
import { openDemoData } from "./demoInstance";
import { benchInput, forgetSegments } from "./render";

/** The demo promotion with one scene more: five, of which none is like another, or it would be painted once for both. */
const fiveScenes = (model: Promotion): Promise<Promotion> =>
  Promise.resolve(withWords(repeatScene(model, "product"), "product-2", "Another pot"));

/** New words where a scene has its own, or had them from its product or offer. */
const WORDS: Readonly<Record<string, string>> = {
  hook: "headline",
  product: "name",
  offer: "terms",
  "sign-off": "call",
};

/** The promotion with other words in a scene. */
function withWords(promotion: Promotion, id: string, text: string): Promotion {
  const scene = scenesInOrder(promotion).find((one) => one.id === id);
  const slot = WORDS[scene?.from.scene ?? ""];
  if (slot === undefined) throw new Error(`It is not known which words the scene ${id} has.`);
  return applyEdit(promotion, fillSlot(`${id}.${slot}`, { kind: "words", text }));
}

function withOtherSound(promotion: Promotion): Promotion {
  const [piece] = piecesOn(promotion.lanes, "music");
  const edit = piece ? changeSound(promotion, piece.id, { gain: -9 }) : null;
  if (!edit) throw new Error("The demo promotion has no music.");
  return applyEdit(promotion, edit);
}

interface Work {
  /** Millions of pixels. */
  readonly painted: number;
  readonly seconds: number;
}

/**
 * Measures what is painted, and how long it takes, when a rendered promotion of five scenes in three formats is rendered
 * again: with other words in each scene in turn, with its music at another level, and as it was.
 */
export async function benchRerender(data: string): Promise<void> {
  const demo = await openDemoData(data);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-bench-"));
  const { openPaintPool } = await import("../server/render/paintPool");
  const { localPainter } = await import("../server/render/segmentPainter");
  const { renderFile } = await import("../server/render/renderFile");
  const pool = openPaintPool();
  const threads = localPainter(pool);

  async function rendered(change: (promotion: Promotion) => Promotion): Promise<Work> {
    const input = await benchInput(1, async (model) => change(await fiveScenes(model)));
    let painted = 0;
    const counting: SegmentPainter = {
      paint(wanted, onPainted, signal) {
        for (const { from, to } of wanted.segments) painted += ((to - from) * wanted.width * wanted.height) / 1e6;
        return threads.paint(wanted, onPainted, signal);
      },
    };
    const started = performance.now();
    const wish = (format: FormatName) => ({
      input,
      choice: { format, output: usualOutput("1080p") },
      path: join(folder, `${format}.mp4`),
    });
    await Promise.all(USUAL_FORMATS.map((format) => renderFile(counting, wish(format))));
    return { painted, seconds: (performance.now() - started) / 1000 };
  }

  try {
    await forgetSegments(data);
    const whole = await rendered((promotion) => promotion);
    console.log(`whole: ${whole.painted.toFixed(0)} megapixels in ${whole.seconds.toFixed(1)} s`);
    const tell = (what: string, { painted, seconds }: Work): void =>
      console.log(
        `${what.padEnd(34)} painted ${(painted / whole.painted).toFixed(3)}, time ${(seconds / whole.seconds).toFixed(3)}`,
      );
    const { document } = await benchInput(1, fiveScenes);
    const shares: number[] = [];
    for (const { id } of scenesInOrder(document)) {
      const work = await rendered((promotion) => withWords(promotion, id, `Other words of ${id}`));
      shares.push(work.painted / whole.painted);
      tell(`other words in “${id}”`, work);
    }
    tell("the music at another level", await rendered(withOtherSound));
    tell("nothing changed", await rendered((promotion) => promotion));
    console.log(`one scene's words, mean ${(shares.reduce((sum, one) => sum + one, 0) / shares.length).toFixed(3)}`);
  } finally {
    await pool.close();
    await rm(folder, { recursive: true, force: true });
    await demo.close();
  }
}
