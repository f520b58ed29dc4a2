import { jest } from "@jest/globals";
import { adjust, applyEdit, fillSlot } from "../../core/document/edits";
import { type MediaFacts, type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { resolvePromotion } from "../../core/document/resolve";
import { mediaFill } from "../../core/document/shots";
import { TONES_LENGTH } from "../../core/picture/tones";
import { PICTURE_ID, testDocument, testFacts, testPicture } from "../../core/testing/promotions";
import { withShownTones } from "./browserTones";

const BESIDE_ID = "00000000-0000-4000-8000-000000000031";
const tones = ["5".repeat(TONES_LENGTH)];
let asked: string[];
let answer: () => Response;
beforeEach(() => {
  asked = [];
  answer = () => Response.json(tones);
  jest.spyOn(globalThis, "fetch").mockImplementation((address) => {
    if (typeof address !== "string") throw new Error("Another kind of request.");
    asked.push(address);
    return Promise.resolve(answer());
  });
});
afterEach(() => {
  jest.restoreAllMocks();
});

const filled = applyEdit(testDocument(), fillSlot("hook.picture", mediaFill(PICTURE_ID)));
const factsWith = (...media: readonly MediaFacts[]): Facts => {
  const facts = testFacts();
  return { ...facts, media: { ...facts.media, ...Object.fromEntries(media.map((item) => [item.id, item])) } };
};
const toned = async (document: Promotion, facts: Facts): Promise<Facts["media"]> =>
  (await withShownTones(resolvePromotion(document, facts), facts)).media;

test("what is shown gets its tones, fetched once by the version of its file; what is not shown is not asked for", async () => {
  const facts = factsWith(testPicture({ version: "one" }), testPicture({ id: BESIDE_ID, version: "one" }));
  expect((await toned(filled, facts))[PICTURE_ID]).toMatchObject({ tones });
  expect((await toned(filled, facts))[PICTURE_ID]).toMatchObject({ tones });
  expect(asked).toEqual([`/media/${PICTURE_ID}/tones?of=one`]);
});

test("a picture whose file was replaced has other tones", async () => {
  await toned(filled, factsWith(testPicture({ version: "two" })));
  const others = ["a".repeat(TONES_LENGTH)];
  answer = () => Response.json(others);
  expect((await toned(filled, factsWith(testPicture({ version: "three" }))))[PICTURE_ID]).toMatchObject({
    tones: others,
  });
});

test("a picture that is seen beside another in one format alone gets its tones too", async () => {
  const target = { scene: "hook", slot: "picture" };
  const layer = { target, layer: "scene@format", format: "vertical" } as const;
  const beside = [adjust("way", "whole", layer), adjust("behind", { kind: "picture", media: BESIDE_ID }, layer)].reduce(
    applyEdit,
    filled,
  );
  const facts = factsWith(testPicture({ tones }), testPicture({ id: BESIDE_ID, version: "four" }));
  expect((await toned(beside, facts))[BESIDE_ID]).toMatchObject({ tones });
});

test.each([
  ["are refused", () => new Response("No.", { status: 404 })],
  ["can't be read", () => Response.json(["short"])],
])("where tones %s, the facts stay as they are, and are asked for again the next time", async (how, refused) => {
  const facts = factsWith(testPicture({ version: how }));
  answer = refused;
  expect((await toned(filled, facts))[PICTURE_ID]).not.toHaveProperty("tones");
  answer = () => Response.json(tones);
  expect((await toned(filled, facts))[PICTURE_ID]).toMatchObject({ tones });
});
