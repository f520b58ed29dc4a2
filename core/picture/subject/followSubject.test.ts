import { CENTRE } from "../../geometry/framing";
import { type SubjectPath, subjectAt } from "../../geometry/subjectPath";
import { CLIP_RATE, SUBJECT_CLIPS, type SubjectClip, keptShare, sampledClip } from "../../testing/subjectClips";
import { FASTEST, SAMPLES_A_SECOND, followSubject } from "./followSubject";

const STEP = CLIP_RATE / SAMPLES_A_SECOND;
/** Widths of the picture a second, cubed. */
const JERK_LIMIT = 12;

const followed = (clip: SubjectClip): SubjectPath => followSubject(sampledClip(clip, STEP), STEP);

const FOLLOWED = SUBJECT_CLIPS.map((clip) => ({ ...clip, clip, path: followed(clip) }));
const keptByPath = ({ clip, path }: (typeof FOLLOWED)[number]): number =>
  keptShare(clip, (frame) => subjectAt(path, [], frame, CENTRE));

test.each(FOLLOWED)("a subject $name stays in the middle 60 % of a vertical crop in 95 % of the frames", (one) => {
  expect(keptByPath(one)).toBeGreaterThanOrEqual(0.95);
});

test("a crop that stays in the middle keeps it in less than half of the frames: following is better by more than half", () => {
  const mean = (shares: readonly number[]): number => shares.reduce((sum, one) => sum + one, 0) / shares.length;
  const fixed = mean(SUBJECT_CLIPS.map((clip) => keptShare(clip, () => CENTRE)));
  expect(mean(FOLLOWED.map(keptByPath)) - fixed).toBeGreaterThan(0.5);
});

test.each(FOLLOWED)(
  "the path of a subject $name keeps its speed limit and has little jerk between cuts",
  ({ path }) => {
    for (const { from, points } of path.pieces) {
      const count = points.length / 8;
      const xs = Array.from({ length: count }, (_, at) => subjectAt(path, [], from + at * STEP, CENTRE).x);
      const differences = (values: readonly number[]): number[] =>
        values.slice(1).map((value, at) => value - (values[at] ?? 0));
      const speeds = differences(xs).map((step) => Math.abs(step) * SAMPLES_A_SECOND);
      expect(Math.max(0, ...speeds)).toBeLessThanOrEqual(FASTEST + 0.001);
      const jerks = differences(differences(differences(xs))).map((one) => Math.abs(one) * SAMPLES_A_SECOND ** 3);
      expect(Math.max(0, ...jerks)).toBeLessThanOrEqual(JERK_LIMIT);
    }
  },
);

test("nothing moves and nothing stands out: the path stays in the middle", () => {
  const grey = { width: 96, height: 54, rgb: new Uint8Array(96 * 54 * 3).fill(120) };
  const path = followSubject([{ from: 0, frames: Array.from({ length: 8 }, () => grey) }], STEP);
  for (let frame = 0; frame < 40; frame++) expect(subjectAt(path, [], frame, CENTRE).x).toBeCloseTo(0.5, 1);
});
