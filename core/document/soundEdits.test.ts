import { testDocument, testFacts } from "../testing/promotions";
import { defined } from "../testing/defined";
import { millis } from "../units";
import { type Edit } from "./edit";
import { applyEdit } from "./edits";
import { type SoundFacts } from "./facts";
import { type SoundPiece, heardFor } from "./lanes";
import { type Promotion } from "./promotion";
import { addSound, changeSound, piecesOn, removeSound, setSoundTime, splitSound } from "./soundEdits";

const ID = "5f0d7f1e-3c1b-4c7c-9a53-0a3f0c1d2e3f";
const sound: SoundFacts = { kind: "sound", id: ID, name: "bell.wav", length: 8000, loudness: -18, peak: -3 };
const facts = testFacts({ media: { [ID]: sound } });
const LENGTH = 15_000;
const bare = (): Promotion => ({ ...testDocument(), lanes: {} });
const apply = (document: Promotion, edit: Edit | null): Promotion => applyEdit(document, defined(edit));
const withPiece = (change: Partial<SoundPiece> = {}): Promotion => ({
  ...bare(),
  lanes: { bell: { order: "a0", lane: "effects", media: ID, at: millis(2000), length: millis(4000), ...change } },
});
const bell = (document: Promotion): SoundPiece => defined(document.lanes["bell"]);

test("sounds are put on their lanes where one looks, and are heard to their end or that of the promotion", () => {
  const music = defined(addSound(bare(), { lane: "music", media: ID, at: 0 }));
  const first = apply(bare(), music.edit);
  expect(first.lanes[music.id]).toEqual({ order: "a0", lane: "music", media: ID });
  const late = defined(addSound(first, { lane: "voice", media: ID, at: 12_000 }));
  const both = apply(first, late.edit);
  const voice = defined(both.lanes[late.id]);
  expect(voice).toMatchObject({ lane: "voice", at: 12_000 });
  expect([heardFor(voice, sound, LENGTH), heardFor(defined(first.lanes[music.id]), sound, LENGTH)]).toEqual([
    3000, 8000,
  ]);
  expect(heardFor({ ...voice, at: millis(2000), loop: true }, sound, LENGTH)).toBe(13_000);
  expect(piecesOn(both.lanes, "voice").map(({ id }) => id)).toEqual([late.id]);
  expect(apply(both, removeSound(late.id)).lanes).toEqual(first.lanes);
});

test("a piece is changed value by value; what is taken away is as usual again, what can't be is refused in words", () => {
  const louder = apply(withPiece(), changeSound(withPiece(), "bell", { gain: -3, curve: "equal power" }));
  expect(bell(louder)).toMatchObject({ gain: -3, curve: "equal power", at: 2000 });
  expect(bell(apply(louder, changeSound(louder, "bell", { gain: null, curve: null })))).toEqual(bell(withPiece()));
  const points = [
    { at: millis(900), gain: 0 },
    { at: millis(100), gain: -6 },
  ];
  expect(() => apply(louder, changeSound(louder, "bell", { points }))).toThrow(/one after the other/);
  expect(() => apply(louder, changeSound(louder, "bell", { gain: 40 }))).toThrow(/20 dB/);
  expect(changeSound(louder, "drum", { gain: 1 })).toBeNull();
});

test("a piece is split where one looks: both halves are heard when they were, without a fade between", () => {
  const points = [
    { at: millis(500), gain: 0 },
    { at: millis(3000), gain: -10 },
  ];
  const document = withPiece({ from: millis(1000), fadeIn: millis(300), fadeOut: millis(400), points });
  const split = apply(document, splitSound(document, facts, "bell", 3500, LENGTH));
  const [first, second] = piecesOn(split.lanes, "effects");
  expect(first).toMatchObject({ at: 2000, from: 1000, length: 1500, fadeIn: 300, fadeOut: 0 });
  expect(second).toMatchObject({ at: 3500, from: 2500, length: 2500, fadeIn: 0, fadeOut: 400 });
  expect(second?.points).toEqual([{ at: 1500, gain: -10 }]);
  // At its ends, and after the sound itself has ended, there is nothing to split.
  for (const time of [2000, 2010, 5990, 9000]) expect(splitSound(document, facts, "bell", time, LENGTH)).toBeNull();
});

test("moved it keeps what is heard; its beginning and its end are pulled as far as the sound and the promotion go", () => {
  const was = { from: 2000, to: 6000 };
  const document = withPiece({ from: millis(1500) });
  const set = (from: number, to: number): SoundPiece =>
    bell(apply(document, setSoundTime(document, "bell", was, { from, to })));
  expect(set(3000, 7000)).toMatchObject({ at: 3000, from: 1500, length: 4000 });
  expect(set(-500, 3500)).not.toHaveProperty("at");
  expect(set(2600, 6000)).toMatchObject({ at: 2600, from: 2100, length: 3400 });
  // Only a second and a half of the sound lie before what is heard.
  expect(set(0, 6000)).toMatchObject({ at: 500, from: 0, length: 5500 });
  expect(set(2000, 4500)).toMatchObject({ at: 2000, from: 1500, length: 2500 });
  expect(set(2000, 2000)).toMatchObject({ length: 40 });
  expect(setSoundTime(document, "bell", was, was)).toBeNull();
});
