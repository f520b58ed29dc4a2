import { type SoundFacts } from "../document/facts";
import { type Lanes } from "../document/lanes";
import { sceneSpans } from "../time/timeline";
import { defined } from "../testing/defined";
import { millis } from "../units";
import { lengthForVoice, spokenTimes } from "./voiceTimes";

const ID = "5f0d7f1e-3c1b-4c7c-9a53-0a3f0c1d2e3f";
const sound: SoundFacts = { kind: "sound", id: ID, name: "line.wav", length: 5000, loudness: -18, peak: -3 };
const lanes: Lanes = {
  one: { order: "a0", lane: "voice", media: ID, at: millis(1000), length: millis(2500) },
  two: { order: "a1", lane: "voice", media: ID, at: millis(4200), from: millis(1000) },
  quiet: { order: "a2", lane: "voice", media: ID, at: millis(8000), muted: true },
  tune: { order: "a3", lane: "music", media: ID },
};

test("somebody speaks as long as the sound does, also past the promotion's end; not where it is muted", () => {
  expect(spokenTimes(lanes, { [ID]: sound }, 6000)).toEqual([
    { from: 1000, to: 3500 },
    { from: 4200, to: 8200 },
  ]);
  expect(spokenTimes(lanes, {}, 6000)).toEqual([]);
});

test("a scene is as long as those need who begin to speak in it, and as it shares with the next", () => {
  const [first, second] = sceneSpans([
    { length: millis(3000), overlap: millis(0) },
    { length: millis(3000), overlap: millis(500) },
  ]);
  const voice = spokenTimes(lanes, { [ID]: sound }, 5500);
  expect(lengthForVoice(defined(first), voice, 500)).toBe(4000);
  // It begins at 2.5 s.
  expect(lengthForVoice(defined(second), voice, 0)).toBe(5700);
  expect(lengthForVoice(defined(second), [], 0)).toBeNull();
});
