import { defined } from "../testing/defined";
import { testDocument, testFacts } from "../testing/promotions";
import { millis } from "../units";
import { applyEdit } from "./edits";
import { type SoundFacts } from "./facts";
import { MOST_SOUND_PIECES, type SoundPiece } from "./lanes";
import { type Promotion } from "./promotion";
import { BREATH_MS, captionsOfVoice, putVoice, saidPieces } from "./voiceEdits";

const IDS = [0, 1, 2].map((index) => `5f0d7f1e-3c1b-4c7c-9a53-0a3f0c1d2e3${index}`) as [string, string, string];
const sound = (id: string, length: number): SoundFacts => ({
  kind: "sound",
  id,
  name: "spoken.wav",
  length,
  loudness: -18,
  peak: -3,
});
const facts = testFacts({ media: Object.fromEntries(IDS.map((id, at) => [id, sound(id, 1000 * (at + 1))])) });
const bare = (): Promotion => ({ ...testDocument(), lanes: {} });
const SPOKEN = [
  { media: IDS[0], says: "Come on Friday.", length: 1000 },
  { media: IDS[1], says: "It is half the price.", length: 2000 },
  {
    media: IDS[2],
    says: "Bring a friend, and bring a basket for all the herbs that you can carry home, and another for the pots and the seeds.",
    length: 3000,
  },
];
const spoken = (): Promotion => applyEdit(bare(), putVoice(bare(), SPOKEN, 500));
const LENGTH = 15_000;

test("sentences come one after the other, with a breath between them, in one edit", () => {
  const { lanes } = spoken();
  const pieces = Object.values(lanes).sort((one, other) => (one.order < other.order ? -1 : 1));
  expect(pieces.map(({ says, at, lane }) => [says, at, lane])).toEqual([
    ["Come on Friday.", 500, "voice"],
    ["It is half the price.", 1500 + BREATH_MS, "voice"],
    [SPOKEN[2]?.says, 3500 + 2 * BREATH_MS, "voice"],
  ]);
  const again = applyEdit(spoken(), putVoice(spoken(), SPOKEN.slice(0, 1), 9000));
  expect(Object.keys(again.lanes)).toHaveLength(4);
});

test("more pieces than a promotion can have are refused, and the limit named", () => {
  const many = Array.from({ length: MOST_SOUND_PIECES + 1 }, () => defined(SPOKEN[0]));
  expect(() => putVoice(bare(), many, 0)).toThrow(`at most ${MOST_SOUND_PIECES} pieces of sound`);
});

test("captions stand while their words are said; a long sentence is cut, its time shared by letters", () => {
  const cues = captionsOfVoice(spoken().lanes, facts.media, LENGTH);
  expect(cues[0]).toEqual({ from: 500, to: 1500, text: "Come on Friday." });
  expect(cues[1]).toMatchObject({ from: 1750, to: 3750 });
  const long = cues.slice(2);
  expect(long.length).toBeGreaterThan(1);
  expect([long[0]?.from, long.at(-1)?.to]).toEqual([4000, 7000]);
  long.forEach((cue, at) => expect(cue.from).toBe(at === 0 ? 4000 : long[at - 1]?.to));
  expect(
    long
      .map(({ text }) => text)
      .join(" ")
      .replaceAll("\n", " "),
  ).toBe(SPOKEN[2]?.says);
});

test("a take in the place of a sentence keeps its words and its time; what is muted, moved or overlaps is counted so", () => {
  const { lanes } = spoken();
  const [first, second] = Object.keys(lanes) as [string, string];
  const change = (id: string, values: Partial<SoundPiece>) => ({
    ...lanes,
    [id]: { ...defined(lanes[id]), ...values },
  });
  const taken = captionsOfVoice(change(first, { media: IDS[1], at: millis(800) }), facts.media, LENGTH);
  // The take lasts longer than what was spoken: the next sentence has its caption when it begins.
  expect(taken[0]).toEqual({ from: 800, to: 1750, text: "Come on Friday." });
  expect(saidPieces(change(second, { muted: true }), facts.media, LENGTH).map(({ id }) => id)).not.toContain(second);
  expect(saidPieces(lanes, facts.media, 4000 + 10).map(({ says }) => says)).toEqual([SPOKEN[0]?.says, SPOKEN[1]?.says]);
});
