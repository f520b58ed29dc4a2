import { join } from "node:path";
import sharp from "sharp";
import { type ClipFacts } from "../../core/document/facts";
import { STRIP_FRAMES, stripFrame } from "../../core/picture/filmstrip";
import { proxyKey, stripKey } from "../storage/keys";
import { store } from "../storage/store";
import { SAFE_INPUT, runProgram } from "./program";
import { inWorkFolder } from "../workFolder";

/** Of each frame, which is cut to a square. */
const SIDE = 96;

/** The file that holds a clip's filmstrip, made when it is first asked for: frames spread evenly over it, side by side. */
export async function stripPath(clip: Pick<ClipFacts, "frames">, sha256: string): Promise<string> {
  const key = stripKey(sha256);
  if (!(await store().has(key))) {
    await inWorkFolder("strip", async (folder) => {
      const wanted = Array.from({ length: STRIP_FRAMES }, (_, index) => stripFrame(index, clip.frames));
      // A clip of few frames shows some of them twice.
      const distinct = [...new Set(wanted)];
      const chosen = distinct.map((frame) => `eq(n\\,${frame})`).join("+");
      await runProgram(
        "ffmpeg",
        [
          ...["-v", "error", "-y", "-nostdin", ...SAFE_INPUT, "-i", await store().local(proxyKey(sha256))],
          ...[
            "-vf",
            `select='${chosen}',scale=${SIDE}:${SIDE}:force_original_aspect_ratio=increase:in_color_matrix=bt709:in_range=tv,crop=${SIDE}:${SIDE}`,
            "-fps_mode",
            "passthrough",
          ],
          join(folder, "%02d.png"),
        ],
        { timeLimitMs: 60_000 },
      );
      const pictures = wanted.map((frame) =>
        join(folder, `${String(distinct.indexOf(frame) + 1).padStart(2, "0")}.png`),
      );
      const file = join(folder, "strip.webp");
      await sharp({ create: { width: SIDE * STRIP_FRAMES, height: SIDE, channels: 3, background: "#000000" } })
        .composite(pictures.map((input, index) => ({ input, left: index * SIDE, top: 0 })))
        .webp({ quality: 80 })
        .toFile(file);
      await store().keep(key, file);
    });
  }
  return store().local(key);
}
