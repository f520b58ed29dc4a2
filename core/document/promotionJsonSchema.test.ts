import { Ajv2020 } from "ajv/dist/2020";
import { readFileSync } from "node:fs";
import { array, mixed } from "yup";
import { FREE_SETTINGS, SETTINGS } from "../testing/settings";
import { CLIP_ID, PICTURE_ID, testDocument } from "../testing/promotions";
import { adjust, applyEdit, chooseTune, fillSlot, putItem } from "./edits";
import { type Promotion, readPromotion } from "./promotion";
import { promotionJsonSchema } from "./promotionJsonSchema";
import { mediaFill } from "./shots";

const validate = new Ajv2020({ formats: { uuid: true } }).compile(promotionJsonSchema());
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** A promotion in which everything is set that can be: for its scene, its headline, an item, and the whole. */
const FULL: Promotion = [
  ...[...SETTINGS, ...FREE_SETTINGS].map(({ edit }) => edit),
  adjust("zoom", false, { target: { scene: "hook" }, layer: "@all" }),
  adjust("motion", "pop", { target: { scene: "hook" }, layer: "@format", format: "5x7" }),
  fillSlot("hook.headline", { kind: "words", text: "Words" }),
  fillSlot("hook.picture", mediaFill(PICTURE_ID)),
  chooseTune(CLIP_ID),
  putItem("badge", { kind: "sticker", sticker: "burst", order: "a0", from: "hook", to: "offer" }),
  adjust("angle", 30, { target: { item: "badge" } }),
  adjust("at", { x: 0.5, y: 0.5 }, { target: { item: "badge" }, layer: "scene@format", format: "vertical" }),
].reduce(applyEdit, testDocument());

test("the published JSON Schema, read by ajv, accepts what is kept of promotions, old ones once they are upgraded", () => {
  const stored = array(mixed().required())
    .required()
    .validateSync(JSON.parse(readFileSync("core/testing/stored/promotions-2.json", "utf8")));
  for (const document of [testDocument(), FULL, ...stored.map(readPromotion)])
    expect([document.name, validate(plain(document)), validate.errors]).toEqual([document.name, true, null]);
});

const BROKEN: readonly (readonly [what: string, change: object])[] = [
  ["a version to come", { version: 99 }],
  ["a blank name", { name: " " }],
  ["no scene", { scenes: {} }],
  ["a scene without an order", { scenes: { hook: { from: { slug: "one-offer", edition: 1, scene: "hook" } } } }],
  ["a format that there is not", { formats: { round: { order: "a0" } } }],
  ["a fill of no kind", { fills: { "hook.headline": { text: "x" } } }],
  ["a fill of no slot", { fills: { headline: { kind: "words", text: "x" } } }],
  ["no shot", { fills: { "hook.picture": { kind: "media", shots: {} } } }],
  [
    "a shot too fast",
    { fills: { "hook.picture": { kind: "media", shots: { a: { order: "a0", media: CLIP_ID, speed: 9 } } } } },
  ],
  ["an item of no kind", { items: { x: { order: "a0", from: "hook", to: "hook" } } }],
  ["a field that there is not", { adjustments: { hook: { glow: 3 } } }],
  ["a slot's field for a scene", { adjustments: { hook: { color: "ink" } } }],
  ["a scene's field for an item", { adjustments: { "item:badge": { ground: "card" } } }],
  ["a value out of range", { adjustments: { "item:badge": { size: 3 } } }],
  ["a length in parts of a millisecond", { adjustments: { hook: { length: 1000.5 } } }],
  ["nothing set", { adjustments: { hook: {} } }],
  ["a sound on no lane", { lanes: { x: { order: "a0", media: CLIP_ID } } }],
  ["a gain that would deafen", { lanes: { x: { order: "a0", lane: "music", media: CLIP_ID, gain: 60 } } }],
  ["something nobody knows", { surprise: true }],
];

test.each(BROKEN)("%s is refused by the published schema and by our own alike", (_, change) => {
  const document = plain({ ...testDocument(), ...change });
  expect(validate(document)).toBe(false);
  expect(() => readPromotion(document)).toThrow();
});
