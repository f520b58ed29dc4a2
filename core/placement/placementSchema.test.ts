import { Ajv2020 } from "ajv/dist/2020";
import { PLACEMENTS } from "./placements";
import { placementJsonSchema } from "./placementJsonSchema";
import { readPlacement, readPlacements } from "./placementSchema";

const [first] = PLACEMENTS;
const file = (placements: unknown) => ({ placements });
const matches = new Ajv2020({ strict: false }).compile(placementJsonSchema());

test("what ships is read as it is, and matches the schema that is published", () => {
  expect(readPlacements(file(PLACEMENTS))).toEqual(PLACEMENTS);
  expect(matches({ placements: PLACEMENTS })).toBe(true);
});

test.each([
  [{ id: "Square Feed" }, /id/],
  [{ title: " " }, /title/],
  [{ format: "round" }, /format/],
  [{ kinds: [] }, /at least one kind/],
  [{ rates: ["31"] }, /rates/],
  [{ mostBytes: 12 }, /mostBytes/],
  [{ loudness: 0 }, /loudness/],
  [{ longest: 0 }, /longest/],
  [{ post: { title: 0, body: null, tags: null, link: false } }, /post.title/],
  [{ color: "red" }, /color/],
])("a placement with %j is refused, in words and by the published schema", (wrong, said) => {
  expect(() => readPlacement({ ...first, ...wrong })).toThrow(said);
  expect(matches({ placements: [{ ...first, ...wrong }] })).toBe(false);
});

test("what is drawn outside the frame, and lengths the wrong way round, are refused", () => {
  const outside = { what: "bar", place: { x: 0.9, y: 0, width: 0.2, height: 0.1 } };
  expect(() => readPlacement({ ...first, furniture: [outside] })).toThrow(/lies in the frame/);
  expect(() => readPlacement({ ...first, shortest: 30, longest: 10 })).toThrow(/no longer than the longest/);
});

test.each([
  ["nothing", null, /no list of placements/],
  ["another file", [], /no list of placements/],
  ["too many", file(Array.from({ length: 101 }, () => first)), /no list of placements/],
  ["one twice", file([first, first]), /there twice/],
])("a file that is %s is refused as a whole", (_, value, said) => expect(() => readPlacements(value)).toThrow(said));
