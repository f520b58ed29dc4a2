import { missesOf } from "../../core/document/mediaNeed";
import { type TestTeam, testTeam } from "../testing/team";
import { chosenMedia, offeredMedia, offeredSounds, readOfferQuery } from "./offeredMedia";

let mine: TestTeam;
let theirs: TestTeam;
beforeEach(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
});
afterEach(() => Promise.all([mine.close(), theirs.close()]));

const TODAY = "2030-05-01";
const TALL = { width: 1080, height: 1920 };
const factsOf = (size: { readonly width: number; readonly height: number }, more: object = {}): string =>
  JSON.stringify({ ...size, levels: 5, focal: { x: 0.5, y: 0.5 }, ...more });
const picture = (team: TestTeam, name: string, size: typeof TALL, change: object = {}) =>
  team.picture(name, { ...size, facts: factsOf(size), licence: "own work", ...change });
const clip = (name: string, size: typeof TALL, frames: number) =>
  picture(mine, name, size, {
    kind: "clip",
    length_ms: (frames * 1000) / 30,
    facts: factsOf(size, { frames, rate: { numerator: 30, denominator: 1 }, hasSound: false }),
  });
const query = (search: string) => readOfferQuery(new URLSearchParams(search));

test("what fits comes first, then what misses least, each with its reasons; nothing of other teams, no sounds", async () => {
  await picture(mine, "small and lying", { width: 800, height: 600 }, { rights_to: "2030-04-30" });
  await picture(mine, "lying", { width: 1920, height: 1080 });
  await picture(mine, "fits", TALL);
  await clip("short and lying", { width: 1920, height: 1080 }, 30);
  await clip("fits and moves", TALL, 120);
  await picture(mine, "not read in", TALL, { state: "working", facts: null });
  await picture(mine, "sound", TALL, { kind: "sound", facts: JSON.stringify({ length: 1000, loudness: null }) });
  await picture(theirs, "theirs", TALL);
  const asked = query("kind=picture&kind=clip&shape=tall&pixels=1000&seconds=3&most=40");
  const { items, count } = await offeredMedia(mine.scope, asked, TODAY);
  expect(count).toBe(5);
  expect(items.map(({ facts }) => facts.name)).toEqual([
    "fits and moves",
    "fits",
    "lying",
    "short and lying",
    "small and lying",
  ]);
  // What the database sorts by is what is said of each.
  expect(items.map(({ facts, rights }) => missesOf(facts, rights, asked.need))).toEqual([
    [],
    [],
    ["shape"],
    ["length", "shape"],
    ["rights", "pixels", "shape"],
  ]);
});

test("it is searched by words, cut to what is asked for, and kept to the kinds that are taken", async () => {
  await picture(mine, "red fern", TALL);
  await picture(mine, "blue wall", TALL, { tags: ["fern"] });
  await clip("fern in wind", TALL, 90);
  await picture(mine, "something else", TALL);
  const names = async (search: string) => {
    const { items, count } = await offeredMedia(mine.scope, query(search), TODAY);
    return [count, items.map(({ facts }) => facts.name)];
  };
  expect(await names("kind=picture&words=FERN&most=10")).toEqual([2, ["blue wall", "red fern"]]);
  expect(await names("kind=clip&words=fern&most=10")).toEqual([1, ["fern in wind"]]);
  expect(await names("words=fern&most=1")).toEqual([3, ["fern in wind"]]);
});

test("whatever an address holds it is read as something that can be asked for", () => {
  expect(query("kind=moon&shape=round&pixels=-3&seconds=much&most=99999")).toEqual({
    need: { accepts: ["picture", "clip"], shape: "any", leastPixels: 0, leastSeconds: 0 },
    words: "",
    most: 400,
  });
  expect(query("").most).toBe(1);
});

test("items are given by their ids, without those of others, those not ready, and what is no id", async () => {
  const own = await picture(mine, "own", TALL, { licence: "" });
  const other = await picture(theirs, "other", TALL);
  const working = await picture(mine, "working", TALL, { state: "working", facts: null });
  const found = await chosenMedia(mine.scope, [own, own, other, working, "'; drop"], TODAY);
  expect(Object.keys(found)).toEqual([own]);
  expect(found[own]).toMatchObject({ facts: { id: own, name: "own" }, rights: "missing" });
  expect(await chosenMedia(mine.scope, [], TODAY)).toEqual({});
});

test("sounds are offered by name", async () => {
  const sound = { kind: "sound" as const, facts: JSON.stringify({ length: 1000, loudness: -14, peak: -1 }) };
  await mine.picture("tune b.wav", sound);
  await mine.picture("tune a.wav", sound);
  await mine.picture("picture");
  expect((await offeredSounds(mine.scope, TODAY)).map(({ facts }) => facts.name)).toEqual(["tune a.wav", "tune b.wav"]);
});
