import { usualOutput } from "../core/output/output";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openDemoData } from "./demoInstance";
import { benchInput, forgetSegments } from "./render";

/** Renders the demo promotion, square at 1080p, with every scene STRETCH times as long, in this process, and ends. */
const [stretch = "1", data = ".data"] = process.argv.slice(2);
const demo = await openDemoData(data);
const folder = await mkdtemp(join(tmpdir(), "stencilcraft-bench-"));
try {
  const { renderSegment } = await import("../server/render/segmentRender");
  const { localPainter } = await import("../server/render/segmentPainter");
  const { renderFile } = await import("../server/render/renderFile");
  const input = await benchInput(Number(stretch));
  await forgetSegments(data);
  // One segment after another, so that the two lengths differ in nothing but length.
  let turn: Promise<void> = Promise.resolve();
  const pool = {
    render: (task: Parameters<typeof renderSegment>[0], onFrame: () => void) =>
      (turn = turn.then(() => renderSegment(task, onFrame, () => false))),
    close: () => Promise.resolve(),
  };
  await renderFile(localPainter(pool), {
    input,
    choice: { format: "square", output: usualOutput("1080p") },
    path: join(folder, "out.mp4"),
  });
} finally {
  await rm(folder, { recursive: true, force: true });
  await demo.close();
}
process.exit();
