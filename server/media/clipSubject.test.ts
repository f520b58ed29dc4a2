import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { CENTRE } from "../../core/geometry/framing";
import { subjectAt } from "../../core/geometry/subjectPath";
import {
  CLIP_FRAMES,
  CLIP_RATE,
  SUBJECT_CLIPS,
  type SubjectClip,
  keptShare,
  subjectFrame,
} from "../../core/testing/subjectClips";
import { defined } from "../../core/testing/defined";
import { partOf } from "../../core/testing/sample";
import { clipLook } from "./clipLook";
import { clipSubject } from "./clipSubject";
import { startFrameEncoder } from "./frameEncoder";

const rate = { numerator: CLIP_RATE, denominator: 1 };

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-subject-"));
});
afterAll(() => rm(folder, { recursive: true }));

/** A made-up clip as a file, five times as large as it is made up. */
async function encoded(clip: SubjectClip): Promise<string> {
  const path = join(folder, `${clip.name.replaceAll(" ", "-")}.mp4`);
  const { width, height } = subjectFrame(clip, 0);
  const settings = ["-vf", "scale=iw*5:ih*5", "-pix_fmt", "yuv420p", "-c:v", "libx264", "-crf", "23"];
  const encoder = startFrameEncoder({ path, width, height, rate, settings });
  for (let frame = 0; frame < CLIP_FRAMES; frame++) {
    const { rgb } = subjectFrame(clip, frame);
    const rgba = new Uint8Array(width * height * 4).fill(255);
    for (let pixel = 0; pixel < width * height; pixel++) rgba.set(rgb.subarray(pixel * 3, pixel * 3 + 3), pixel * 4);
    await encoder.write(rgba);
  }
  await encoder.finish();
  return path;
}

test.each(partOf(["speeding up", "in three pictures"], 1))(
  "of a file, a subject %s is followed through its cuts",
  async (name) => {
    const clip = defined(SUBJECT_CLIPS.find((one) => one.name === name));
    const path = await encoded(clip);
    const { cuts } = await clipLook(path);
    expect(cuts.map((ms) => Math.round((ms * CLIP_RATE) / 1000))).toEqual(clip.cuts);
    const told: number[] = [];
    const subject = await clipSubject(path, { width: 480, height: 270, frames: CLIP_FRAMES, rate, cuts }, (share) =>
      told.push(share),
    );
    expect(subject.pieces.map(({ from }) => from)).toEqual([0, ...clip.cuts]);
    expect(keptShare(clip, (frame) => subjectAt(subject, [], frame, CENTRE))).toBeGreaterThanOrEqual(0.95);
    expect(told.length).toBeGreaterThan(0);
    expect(Math.max(...told)).toBeLessThanOrEqual(1);
  },
);

test("a file that can't be read is said to be so", async () => {
  const clip = { width: 480, height: 270, frames: 10, rate, cuts: [] };
  await expect(clipSubject(join(folder, "nothing.mp4"), clip)).rejects.toThrow(/subject could not be looked for/);
});
