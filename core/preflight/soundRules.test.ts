import { applyEdit, addPlacement, adjust, FOR_ALL, putSound } from "../document/edits";
import { type Facts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { type Edit } from "../document/edit";
import { inOne } from "../sound/finished";
import { heardSamples } from "../sound/heardSamples";
import { measuredMix } from "../sound/measuredMix";
import { SAMPLE_RATE, type SoundSamples, sampleAt } from "../sound/samples";
import { defined } from "../testing/defined";
import { testDocument, testFacts } from "../testing/promotions";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { findingsInSound } from "./soundFindings";

const TONE = "00000000-0000-4000-8000-000000000090";
const APART = "00000000-0000-4000-8000-000000000091";
const SECONDS = 6;

/** A tone in both channels, or the other way round in one of them. */
function toneSamples(level: number, side: 1 | -1): SoundSamples {
  const left = Float32Array.from({ length: SECONDS * SAMPLE_RATE }, (_, at) => level * Math.sin(at / 8));
  return { first: 0, left, right: left.map((sample) => side * sample) };
}
const SAMPLES: Readonly<Record<string, SoundSamples>> = { [TONE]: toneSamples(0.5, 1), [APART]: toneSamples(0.5, -1) };
const facts = (): Facts => {
  const sound = (id: string) =>
    ({ kind: "sound", id, name: "tone.wav", length: SECONDS * 1000, loudness: null, peak: null }) as const;
  const known = testFacts();
  return { ...known, media: { ...known.media, [TONE]: sound(TONE), [APART]: sound(APART) } };
};
const piece = (id: string, change: Partial<Parameters<typeof putSound>[1]> = {}): Edit =>
  putSound(id, {
    order: `a${id}`,
    lane: "music",
    media: TONE,
    loop: true,
    fadeIn: millis(0),
    fadeOut: millis(0),
    ...change,
  });
const after = (edits: readonly Edit[], before: Promotion): Promotion => edits.reduce(applyEdit, before);

function found(document: Promotion) {
  const promotion = resolvePromotion(document, facts());
  const count = sampleAt(ticksOf(promotion.length));
  const { whole, ended } = inOne(
    heardSamples(promotion.mix, (name) => SAMPLES[name.split("/")[0] ?? ""] ?? null, count),
    count,
  );
  return findingsInSound({ document, promotion, measured: measuredMix(whole, ended) });
}
const silent = (): Promotion => ({ ...testDocument(), lanes: {} });
const rules = (document: Promotion): string[] => found(document).map(({ rule }) => rule);

test("without a sound, and with one all along, there is nothing to find", () => {
  expect(rules(silent())).toEqual([]);
  expect(rules(after([piece("one")], silent()))).toEqual([]);
});

test("a placement asks for its loudness: what is far from it is found and made so in one press", () => {
  const document = after([piece("one", { gain: -12 }), addPlacement(silent(), "square-feed")], silent());
  const [finding] = found(document);
  expect(finding).toMatchObject({ rule: "loudness-on-target", severity: "warning" });
  expect(finding?.words).toMatch(/as a whole, Square feed asks for −14 LUFS/);
  const mended = after([defined(finding?.cures[0])], document);
  expect(mended.adjustments["@all"]?.loudness).toBe(-14);
  expect(rules(mended)).toEqual([]);
});

test("what can't be made so loud as it is to be is said, without a cure", () => {
  const edits = [piece("one", { gain: -50 }), adjust("loudness", -8, FOR_ALL)];
  const [finding] = found(after(edits, silent()));
  expect(finding).toMatchObject({ rule: "loudness-on-target", cures: [] });
  expect(finding?.words).toMatch(/it is to be −8 LUFS/);
});

test("too much at once is turned down: found, and all made softer in one press", () => {
  const document = after([piece("one", { gain: 5 }), piece("other", { gain: 5 })], silent());
  const [finding] = found(document);
  expect(finding).toMatchObject({ rule: "peaks-kept" });
  // Twice a half, each five decibels louder, over a ceiling of a little more than a decibel under full scale.
  expect(finding?.numbers["turnedDownDb"]).toBeCloseTo(5 + 1.3, 0);
  expect(rules(after([defined(finding?.cures[0])], document))).toEqual([]);
});

test("a pause of more than a second is found, whether music ends early or begins late, and music goes on in one press", () => {
  const early = after([piece("one", { loop: undefined, length: millis(4000) })], silent());
  const [finding] = found(early);
  expect(finding).toMatchObject({ rule: "no-silence" });
  // The filters of BS.1770 ring a little after the music has ended.
  expect(Math.abs((finding?.numbers["fromMs"] ?? 0) - 4000)).toBeLessThanOrEqual(200);
  expect(rules(after([defined(finding?.cures[0])], early))).toEqual([]);

  const late = after([piece("one", { at: millis(1500) })], silent());
  expect(found(late)).toMatchObject([{ rule: "no-silence", words: "nothing is heard from 0.0 to 1.5 s", cures: [] }]);
  expect(rules(after([piece("one", { at: millis(900) })], silent()))).toEqual([]);
});

test("what its two sides take from each other is found, and what one of them has alone is not", () => {
  expect(found(after([piece("one", { media: APART })], silent()))).toMatchObject([
    { rule: "heard-from-one-speaker", words: /nothing is heard/ },
  ]);
  // With as much of the plain tone beside it one side is silent: from one speaker all of it is there still.
  const oneSided = after([piece("one", { media: APART }), piece("other")], silent());
  expect(rules(oneSided)).toEqual([]);
});
