import { join } from "node:path";
import { BT709 } from "../server/media/clipIngest";
import { startFrameEncoder } from "../server/media/frameEncoder";
import { CLIPS, CLIPS_FOLDER, CLIP_RATE, type DemoClip, clipPainter } from "./art/clips";

/**
 * Draws the clips of the demo world anew, after what they show was changed: `node --import tsx demo/drawClips.ts`. See
 * docs/decisions/demo-clips-are-kept.md.
 */
async function drawClip(clip: DemoClip): Promise<void> {
  const paint = clipPainter(clip);
  const encoder = startFrameEncoder({
    ...clip,
    path: join(CLIPS_FOLDER, clip.name),
    rate: { numerator: CLIP_RATE, denominator: 1 },
    settings: [
      ...["-vf", "scale=out_color_matrix=bt709:out_range=tv", "-pix_fmt", "yuv420p"],
      ...["-c:v", "libx264", "-preset", "veryfast", "-crf", "18"],
      ...BT709,
    ],
  });
  for (let frame = 0; frame < clip.frames; frame++) await encoder.write(paint(frame).data());
  await encoder.finish();
}

for (const clip of CLIPS) await drawClip(clip);
