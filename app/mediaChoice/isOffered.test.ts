import { type RightsState, RIGHTS_WORDS } from "../../core/document/rights";
import { keysOf } from "../../core/records";
import { testClip, testPicture } from "../../core/testing/promotions";
import { type OfferedMedia } from "../../server/media/offeredMedia";
import { isOffered, isOfferedItem } from "./isOffered";

/** As it comes from the server. */
const sent = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
const picture = (rights: RightsState): OfferedMedia => ({ facts: testPicture(), rights });

test.each(keysOf(RIGHTS_WORDS))(
  "media that the server offers are known as such: a picture whose rights are %s",
  (rights) => {
    const one = picture(rights);
    expect(isOfferedItem(sent(one))).toBe(true);
    expect(isOffered(sent({ [one.facts.id]: one, other: { facts: testClip(), rights } }))).toBe(true);
  },
);

test("nothing is media by id too; what lacks something, and what is none, are not", () => {
  expect(isOffered({})).toBe(true);
  const { facts } = picture("clear");
  for (const wrong of [null, undefined, "media", { one: null }, { one: { facts } }, { one: { facts, rights: "some" } }])
    expect(isOffered(sent(wrong ?? null))).toBe(false);
});
