import { STAYING } from "./stepsBack";
import { type SoundFacts } from "../document/facts";
import { type Lanes } from "../document/lanes";
import { type ShotCut } from "../document/shots";
import { ONE_OFFER } from "../templates/priceDrops";
import { defined } from "../testing/defined";
import { testClip } from "../testing/promotions";
import { sceneSpans } from "../time/timeline";
import { millis } from "../units";
import { LEVEL_STEP, heardLevels } from "./heardLevels";
import { mixOf } from "./mix";
import { AS_MIXED } from "./finish";

/** Four seconds: silent, loud, silent, half as loud. */
const tune: SoundFacts = {
  kind: "sound",
  id: "tune",
  name: "tune",
  length: 4000,
  loudness: null,
  peak: null,
  levels: [0, 100, 0, 50],
};
const PLAIN = { ...ONE_OFFER.sound, fadeIn: millis(0), fadeOut: millis(0) };
/** The levels in the middle of each second. */
const bySeconds = (lanes: Lanes, length: number, sounds: readonly SoundFacts[] = [tune]): number[] => {
  const media = Object.fromEntries(sounds.map((sound) => [sound.id, sound]));
  const levels = heardLevels(
    mixOf({ lanes, scenes: [] }, media, { plan: PLAIN, length, stepsBack: STAYING, finish: AS_MIXED }),
    media,
  );
  expect(levels).toHaveLength(Math.ceil(length / LEVEL_STEP) + 1);
  return Array.from({ length: length / 1000 }, (_, second) => levels[(second * 1000 + 500) / LEVEL_STEP] ?? NaN);
};

test("levels are those of the sound where it is played: shifted, cut into, looped", () => {
  const bed = { order: "a0", lane: "music", media: "tune" } as const;
  expect(bySeconds({ bed }, 6000)).toEqual([0, 1, 0, 0.5, 0, 0]);
  expect(bySeconds({ bed: { ...bed, lane: "effects", at: millis(2000) } }, 6000)).toEqual([0, 0, 0, 1, 0, 0.5]);
  expect(bySeconds({ bed: { ...bed, from: millis(1000) } }, 3000)).toEqual([1, 0, 0.5]);
  expect(bySeconds({ bed: { ...bed, loop: true } }, 8000)).toEqual([0, 1, 0, 0.5, 0, 1, 0, 0.5]);
});

test("of two sounds at once the louder counts, each as loud as it is made; the loudest is 1", () => {
  const knock: SoundFacts = { ...tune, id: "knock", length: 1000, levels: [100] };
  const bed = { order: "a0", lane: "music", media: "tune", gain: -20 } as const;
  const hit = { order: "a1", lane: "effects", media: "knock", at: millis(2000) } as const;
  expect(bySeconds({ bed, hit }, 4000, [tune, knock])).toEqual([0, 0.1, 1, 0.05]);
});

test("silence, nothing at all and what was never measured have no levels", () => {
  const bed = { order: "a0", lane: "music", media: "tune" } as const;
  expect(bySeconds({}, 2000)).toEqual([0, 0]);
  expect(bySeconds({ bed }, 2000, [{ ...tune, levels: undefined }])).toEqual([0, 0]);
  expect(bySeconds({ bed }, 2000, [{ ...tune, levels: [0, 0] }])).toEqual([0, 0]);
});

test("a clip's sound counts while it is shown, backwards where it is", () => {
  // Two seconds of it: silent, then loud.
  const clip = testClip({ frames: 60, hasSound: true, soundLevels: [0, 100] });
  const levelsOf = (cut: ShotCut): number[] => {
    const scenes = [
      {
        span: defined(sceneSpans([{ length: millis(4000), overlap: millis(0) }])[0]),
        slots: [{ shots: [{ media: clip, cut }], level: 1 }],
      },
    ];
    const all = heardLevels(
      mixOf({ lanes: {}, scenes }, {}, { plan: PLAIN, length: 4000, stepsBack: STAYING, finish: AS_MIXED }),
      {
        [clip.id]: clip,
      },
    );
    return [500, 1500, 2500].map((ms) => all[ms / LEVEL_STEP] ?? NaN);
  };
  expect(levelsOf({})).toEqual([0, 1, 0]);
  expect(levelsOf({ reversed: true })).toEqual([1, 0, 0]);
  expect(levelsOf({ from: 30 })).toEqual([1, 0, 0]);
  expect(levelsOf({ held: 45 })).toEqual([0, 0, 0]);
});
