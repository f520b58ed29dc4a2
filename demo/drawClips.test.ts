import { join } from "node:path";
import { CLIPS, CLIPS_FOLDER, CLIP_RATE, clipPainter } from "./art/clips";
import { readClip } from "../server/render/clipReader";

const MOMENTS = [0, 67, 134];

/** The share of two pictures of the same size that is another colour, by more than encoding makes of it. */
function otherShare(one: Uint8Array | Uint8ClampedArray, other: Uint8Array | Uint8ClampedArray): number {
  let others = 0;
  for (let at = 0; at < one.length; at++) if (Math.abs((one[at] ?? 0) - (other[at] ?? 0)) > 40) others++;
  return others / one.length;
}

test.each(CLIPS)("$name is kept as it is drawn: who changes the drawing draws the clips anew", async (clip) => {
  const paint = clipPainter(clip);
  const reader = readClip({
    ...clip,
    path: join(CLIPS_FOLDER, clip.name),
    rate: { numerator: CLIP_RATE, denominator: 1 },
  });
  const kept: Uint8ClampedArray[] = [];
  try {
    for (const moment of MOMENTS) kept.push(Uint8ClampedArray.from((await reader.frame(moment)) ?? []));
  } finally {
    reader.stop();
  }
  const drawn = MOMENTS.map((moment) => Uint8Array.from(paint(moment).data()));
  expect(kept.map(({ length }) => length)).toEqual(drawn.map(({ length }) => length));
  kept.forEach((frame, at) => {
    expect(otherShare(frame, drawn[at] ?? frame)).toBeLessThan(0.0005);
    // What moves from one moment to the next would be seen.
    expect(otherShare(frame, drawn[(at + 1) % drawn.length] ?? frame)).toBeGreaterThan(0.002);
  });
});
