import { pathPoints } from "../geometry/subjectPath";
import { rect } from "../geometry/rect";
import { testClip } from "../testing/promotions";
import { subjectCovered, subjectSeen } from "./subjectCovered";

const PLACE = rect(0, 0, 1000, 1000);

test("of a clip that is shown twice, the subject is looked for where it is at each moment of either part", () => {
  // From the left edge of the clip to its right edge.
  const subject = {
    step: 119,
    pieces: [
      {
        from: 0,
        points: pathPoints([
          { x: 0, y: 0.5 },
          { x: 1, y: 0.5 },
        ]),
      },
    ],
  };
  const tones = Array.from({ length: 4 }, () => "808080".repeat(2400));
  const media = testClip({ subject, tones: [...tones, ...tones] });
  const moments = subjectSeen({ media, framing: null }, PLACE);
  expect(moments).toHaveLength(8);
  expect(moments.slice(4)).toEqual(moments.slice(0, 4));
  expect(moments[0]).not.toEqual(moments[3]);
  expect(subjectCovered(moments.slice(4), [PLACE])).toBe(1);
});
