import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { usualOutput } from "../core/output/output";
import { USUAL_FORMATS } from "../core/placement/formats";
import { openDemoData } from "./demoInstance";
import { MEASURED, forgetSegments } from "./render";

/**
 * Renders the demo promotion in three formats at 1080p each time its parent asks, and answers with the seconds that it took:
 * in a process of its own, as a worker has one, whose threads stand by.
 */
const [promotion, data = ".data"] = process.argv.slice(2);
const demo = await openDemoData(data);
const folder = await mkdtemp(join(tmpdir(), "stencilcraft-bench-"));
const { openPaintPool } = await import("../server/render/paintPool");
const { localPainter } = await import("../server/render/segmentPainter");
const { renderFile } = await import("../server/render/renderFile");
const input = await MEASURED[promotion === "rich" ? "rich" : "plain"]();
const pool = openPaintPool();

async function wholeRender(): Promise<number> {
  await forgetSegments(data);
  const started = performance.now();
  await Promise.all(
    USUAL_FORMATS.map((format) =>
      renderFile(localPainter(pool), {
        input,
        choice: { format, output: usualOutput("1080p") },
        path: join(folder, `${format}.mp4`),
      }),
    ),
  );
  return (performance.now() - started) / 1000;
}

async function end(): Promise<void> {
  await pool.close();
  await rm(folder, { recursive: true, force: true });
  await demo.close();
  process.exit();
}

process.on("message", () => void wholeRender().then((seconds) => process.send?.(seconds)));
process.on("disconnect", () => void end());
process.send?.("ready");
