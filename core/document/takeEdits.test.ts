import { testDocument } from "../testing/promotions";
import { millis } from "../units";
import { type Edit } from "./edit";
import { applyEdit, putSound } from "./edits";
import { thingsNamed } from "./named";
import { type Promotion } from "./promotion";
import { dropTake, hearTake } from "./takeEdits";

const [FIRST, SECOND, THIRD] = [
  "00000000-0000-4000-8000-0000000000a1",
  "00000000-0000-4000-8000-0000000000a2",
  "00000000-0000-4000-8000-0000000000a3",
];
const spoken = (): Promotion =>
  applyEdit(
    testDocument(),
    putSound("voice", {
      order: "a0",
      lane: "voice",
      media: FIRST,
      at: millis(700),
      from: millis(90),
      length: millis(400),
      says: "Come in.",
      gain: 3,
    }),
  );
const after = (document: Promotion, edit: Edit | null): Promotion => (edit ? applyEdit(document, edit) : document);

test("another take is heard whole where the piece lies; the one before is kept, and heard again", () => {
  const second = after(spoken(), hearTake(spoken(), "voice", SECOND));
  expect(second.lanes["voice"]).toEqual({
    order: "a0",
    lane: "voice",
    media: SECOND,
    at: 700,
    says: "Come in.",
    gain: 3,
    takes: [FIRST],
  });
  const third = after(second, hearTake(second, "voice", THIRD));
  expect(third.lanes["voice"]).toMatchObject({ media: THIRD, takes: [SECOND, FIRST] });
  const first = after(third, hearTake(third, "voice", FIRST));
  expect(first.lanes["voice"]).toMatchObject({ media: FIRST, takes: [THIRD, SECOND] });
  expect(hearTake(first, "voice", FIRST)).toBeNull();
  expect(hearTake(first, "gone", FIRST)).toBeNull();
});

test("kept takes are named by the document, so nothing takes them for unused; a dropped one is not", () => {
  const second = after(spoken(), hearTake(spoken(), "voice", SECOND));
  const ids = (document: Promotion): string[] => thingsNamed(document).map(({ id }) => id);
  expect(ids(second)).toEqual(expect.arrayContaining([FIRST, SECOND]));
  const dropped = after(second, dropTake(second, "voice", FIRST));
  expect(ids(dropped)).not.toContain(FIRST);
  expect(dropped.lanes["voice"]?.takes).toBeUndefined();
  expect(dropTake(dropped, "voice", FIRST)).toBeNull();
  // What is heard is no other take.
  expect(dropTake(dropped, "voice", SECOND)).toBeNull();
});
