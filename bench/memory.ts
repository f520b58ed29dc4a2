import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { templateKey } from "../core/document/facts";
import { type Template } from "../core/document/template";
import { ONE_OFFER } from "../core/templates/priceDrops";
import { shippedRef } from "../core/templates/shipped";
import { millis } from "../core/units";
import { openDemoData } from "./demoInstance";
import { freshInput } from "./render";

/** Renders the demo promotion, square at 1080p, with every scene STRETCH times as long, in this process, and ends. */
const [stretch = "1", data = ".data"] = process.argv.slice(2);
const long: Template = {
  ...ONE_OFFER,
  scenes: ONE_OFFER.scenes.map((scene) => ({ ...scene, length: millis(scene.length * Number(stretch)) })),
};

const demo = await openDemoData(data);
const folder = await mkdtemp(join(tmpdir(), "stencilcraft-bench-"));
try {
  const { renderSegment } = await import("../server/render/segmentRender");
  const { renderFile } = await import("../server/render/renderFile");
  const input = await freshInput();
  // One segment after another, so that the two lengths differ in nothing but length.
  let turn: Promise<void> = Promise.resolve();
  const pool = {
    render: (task: Parameters<typeof renderSegment>[0], onFrame: () => void) =>
      (turn = turn.then(() => renderSegment(task, onFrame, () => false))),
    close: () => Promise.resolve(),
  };
  const templates = { ...input.facts.templates, [templateKey(shippedRef(ONE_OFFER))]: long };
  await renderFile(pool, {
    input: { ...input, facts: { ...input.facts, templates } },
    choice: { format: "square", quality: "1080p" },
    path: join(folder, "out.mp4"),
  });
} finally {
  await rm(folder, { recursive: true, force: true });
  await demo.close();
}
process.exit();
