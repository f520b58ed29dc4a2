import { JOINS } from "../../core/document/joins";
import { wholeOf } from "../../core/geometry/rect";
import { USUAL_FORMATS } from "../../core/placement/formats";
import { outputSize } from "../../core/placement/quality";
import { SEED, partOf } from "../../core/testing/sample";
import { frameStart } from "../../core/time/ticks";
import { millis } from "../../core/units";
import { shortInput, shortScenes } from "../testing/shortRender";
import { openFrameSource } from "./frameSource";
import { type FramePart, NEIGHBOURS, openPlanarFrames, wholeFrame } from "./planar/planarFrames";
import { renderPlan } from "./renderPlan";

const CHOICE = { format: "vertical", quality: "480p" } as const;
const SIZE = outputSize("vertical", "480p");
/** Scenes are divided across in some formats, and down in others: columns change by themselves, or rows. */
const IN_FORMATS = JOINS.map(
  (kind, at) => [kind, USUAL_FORMATS[(Math.floor(at / 3) + SEED) % USUAL_FORMATS.length] ?? "vertical"] as const,
);

/** By how much two frames' planes differ at most. */
function mostBetween(one: Uint8Array, other: Uint8Array): number {
  let most = 0;
  for (let at = 0; at < one.length; at++) most = Math.max(most, Math.abs((one[at] ?? 0) - (other[at] ?? 0)));
  return most;
}

test.each(partOf(IN_FORMATS, 3))(
  "frames put together of what changed are the frames painted whole, to a step or two of 255: %s in %s",
  async (kind, format) => {
    const choice = { format, quality: "480p" } as const;
    const size = outputSize(format, "480p");
    const { adjustments } = shortScenes(900);
    const joined = Object.fromEntries(
      Object.entries(adjustments).map(([id, lengths]) => [id, { ...lengths, transition: kind, overlap: millis(400) }]),
    );
    const input = shortInput(900, { adjustments: joined });
    const { frames, rate } = await renderPlan(input, choice);
    const [byParts, whole] = await Promise.all([openFrameSource(input, choice), openFrameSource(input, choice)]);
    const [ours, theirs] = await Promise.all([openPlanarFrames(size), openPlanarFrames(size)]);
    let [area, same] = [0, 0];
    for (let frame = 0; frame < frames; frame++) {
      const time = frameStart(frame, rate);
      await byParts.changesAt(time, NEIGHBOURS, (changed) => {
        area += changed.place.width * changed.place.height;
        ours.change(changed);
      });
      theirs.change(wholeFrame(await whole.frameAt(time), size));
      // Words that move are painted by themselves and laid over the rest: edges may be rounded otherwise.
      const differ = mostBetween(ours.planes, theirs.planes);
      expect(`frame ${frame}: ${Math.max(2, differ)}`).toBe(`frame ${frame}: 2`);
      if (differ === 0) same++;
    }
    expect(same).toBeGreaterThan(frames / 6);
    // Fewer than all of all frames: otherwise nothing was left out, and this would hold of anything.
    expect(area).toBeLessThan(frames * size.width * size.height * 0.95);
    byParts.stop();
    whole.stop();
  },
);

test("the first frame is all new; asked for again, or where it holds still, nothing is", async () => {
  const source = await openFrameSource(shortInput(1500), CHOICE);
  const taken: FramePart[] = [];
  const start = frameStart(0, { numerator: 30, denominator: 1 });
  for (let times = 0; times < 2; times++) await source.changesAt(start, NEIGHBOURS, (part) => taken.push(part));
  expect(taken).toMatchObject([{ place: wholeOf(SIZE) }]);
  source.stop();
});
