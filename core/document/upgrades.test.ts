import { tuneOf } from "./lanes";
import { mediaFill } from "./shots";
import { testDocument } from "../testing/promotions";
import { readFileSync } from "node:fs";
import { array, mixed, object, string } from "yup";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { frameHashes } from "../testing/frameHashes";
import { promotionProblem } from "./locks";
import { readPromotion } from "./promotion";
import { scenesInOrder } from "./sceneList";

const FOLDER = "core/testing/stored";
const TIMES = [300, 1200, 3050, 4700, 6400, 9100, 12_000];

const read = (file: string): unknown => JSON.parse(readFileSync(`${FOLDER}/${file}`, "utf8"));
const stored = array(mixed().required()).required().validateSync(read("promotions-2.json"));
/** The same as version 3 kept them. */
const stored3 = array(mixed().required()).required().validateSync(read("promotions-3.json"));
/** What version 2 was painted as, by the code that wrote it. */
const kept = array(object({ name: string().required(), frames: mixed<Record<string, string>>().required() }))
  .required()
  .validateSync(read("frames-2.json"));

test("a promotion of version 1 is upgraded: its template's scenes become its own, its fills stay", () => {
  const id = "00000000-0000-4000-8000-000000000001";
  const older = {
    version: 1,
    name: "Old",
    template: "one-offer",
    brand: id,
    product: null,
    offer: null,
    tune: null,
    fills: { "hook.headline": { kind: "words", text: "Still here" } },
  };
  const read = readPromotion(older);
  expect(read).toMatchObject({
    version: 6,
    template: { slug: "one-offer", edition: 1 },
    fills: { "hook.headline": { text: "Still here" } },
    adjustments: {},
    spare: {},
  });
  expect(scenesInOrder(read).map(({ id: scene }) => scene)).toEqual(["hook", "product", "offer", "sign-off"]);
});

test("what version 2 had changed of scenes and slots stands where it holds now, in the order it had", () => {
  const changed = readPromotion(stored.at(-1));
  expect(scenesInOrder(changed).map(({ id }) => id)).toEqual(["sign-off", "offer", "product", "offer-2", "hook"]);
  expect(changed.adjustments).toEqual({
    hook: { ground: "primary", length: 4200 },
    "hook.headline": { color: "accent" },
    "hook.headline@square": { place: { x: 60, y: 80, width: 500, height: 240 } },
    "hook.headline@vertical": { place: { x: 70, y: 180, width: 700, height: 300 } },
    product: { arrangement: { name: "words-only", words: "top", align: "start" } },
    "product.line": { hidden: true },
  });
  expect(changed.spare).toEqual({
    "spare-001": { label: "Headline", fill: { kind: "words", text: "Kept aside" } },
    "spare-002": { label: "Picture", fill: mediaFill("00000000-0000-4000-8000-000000000004") },
  });
});

const ALL = [
  ...stored.map((document, index) => ({ version: 2, document, kept: kept[index] })),
  ...stored3.map((document, index) => ({ version: 3, document, kept: kept[index] })),
];
test.each(ALL)(
  "$kept.name, stored in version $version, opens, is sound, and is painted as it was",
  async ({ document, kept: then }) => {
    const upgraded = readPromotion(document);
    expect(promotionProblem(upgraded, SHIPPED_BY_REF)).toBeNull();
    expect(upgraded.name).toBe(then?.name);
    expect(await frameHashes(upgraded, TIMES)).toEqual(then?.frames);
  },
);

test("version 3 had one medium a slot and one tune: they are a shot and a piece of music now", () => {
  const [picture, tune] = ["00000000-0000-4000-8000-000000000004", "00000000-0000-4000-8000-000000000007"];
  const older = {
    ...testDocument(),
    lanes: undefined,
    version: 3,
    tune,
    fills: { "hook.picture": { kind: "media", media: picture } },
  };
  const read = readPromotion(JSON.parse(JSON.stringify(older)));
  expect(read.fills).toEqual({ "hook.picture": mediaFill(picture) });
  expect(tuneOf(read)).toBe(tune);
  expect(readPromotion(JSON.parse(JSON.stringify({ ...older, tune: null }))).lanes).toEqual({});
});

test("upgrading what is upgraded changes nothing", () => {
  for (const document of [...stored, ...stored3]) {
    const once = readPromotion(document);
    expect(JSON.stringify(readPromotion(JSON.parse(JSON.stringify(once))))).toBe(JSON.stringify(once));
  }
});
