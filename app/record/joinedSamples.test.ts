import { joinedSamples } from "./joinedSamples";

const part = (frame: number, ...samples: number[]) => ({ frame, samples: Float32Array.from(samples) });

test("parts lie where they were heard, from the frame on at which it was begun", () => {
  const heard = [part(100, 1, 2), part(102, 3, 4), part(104, 5)];
  expect(joinedSamples(heard, 100)).toEqual({ samples: Float32Array.of(1, 2, 3, 4, 5), lost: 0 });
  expect(joinedSamples(heard, 103)).toEqual({ samples: Float32Array.of(4, 5), lost: 0 });
  expect(joinedSamples(heard, 200)).toEqual({ samples: new Float32Array(0), lost: 0 });
  expect(joinedSamples([], 0)).toEqual({ samples: new Float32Array(0), lost: 0 });
});

test("what was never heard is silent and counted, and moves nothing", () => {
  expect(joinedSamples([part(10, 1, 1), part(15, 2)], 10)).toEqual({
    samples: Float32Array.of(1, 1, 0, 0, 0, 2),
    lost: 3,
  });
  // Begun before the first was heard.
  expect(joinedSamples([part(10, 1)], 8)).toEqual({ samples: Float32Array.of(0, 0, 1), lost: 2 });
});
