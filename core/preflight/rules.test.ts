import {
  FOR_ALL,
  addPlacement,
  adjust,
  applyEdit,
  fillSlot,
  putCaption,
  putItem,
  putSound,
  removePlacement,
} from "../document/edits";
import { type Edit } from "../document/edit";
import { type BrandFacts, type Facts, templateKey } from "../document/facts";
import { placeMark } from "../document/markEdits";
import { type Item } from "../document/items";
import { mediaFill } from "../document/shots";
import { type Promotion } from "../document/promotion";
import { type SceneTemplate, type SlotKey } from "../document/sceneTemplate";
import { resolvePromotion } from "../document/resolve";
import { NO_STANDING, type Standing } from "../document/standing";
import { type Point, rect } from "../geometry/rect";
import { USUAL_FORMATS } from "../placement/formats";
import { SEEN_FROM } from "../picture/sourceQuality";
import { TONES_LENGTH } from "../picture/tones";
import { preparePromotion } from "../scene/preparePromotion";
import { fontFilesWanted } from "../scene/wantedFiles";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import {
  CLIP_ID,
  PICTURE_ID,
  TEST_BRAND,
  TEST_LOGO,
  testDocument,
  testFacts,
  testPicture,
} from "../testing/promotions";
import { millis } from "../units";
import { type Finding } from "./finding";
import { findingsOf } from "./findings";
import { RULES } from "./rules";

const book = testBook();

async function found(document: Promotion, facts: Facts = testFacts()): Promise<Finding[]> {
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const formats = USUAL_FORMATS.map((format) => preparePromotion(promotion, format, book));
  return findingsOf({ document, promotion }, formats);
}
const after = (edits: readonly Edit[], before = testDocument()): Promotion => edits.reduce(applyEdit, before);
const words = (text: string) => ({ kind: "words", text }) as const;

const PICTURE = { scene: "hook", slot: "picture" };
const SMALL = "00000000-0000-4000-8000-000000000080";
const LARGE = "00000000-0000-4000-8000-000000000081";
const withSizes = (): Facts => {
  const facts = testFacts();
  const small = testPicture({ id: SMALL, width: 640, height: 640 });
  const large = testPicture({ id: LARGE, width: 3200, height: 2400 });
  return { ...facts, media: { ...facts.media, [SMALL]: small, [LARGE]: large } };
};
const withStanding = (standing: Partial<Standing>): Facts => testFacts({ standing: { ...NO_STANDING, ...standing } });
const MUSIC_ID = "00000000-0000-4000-8000-000000000083";
const VOICE_ID = "00000000-0000-4000-8000-000000000082";
const withVoice = (): Facts => {
  const facts = testFacts();
  const voice = { kind: "sound", id: VOICE_ID, name: "spoken.wav", length: 2000, loudness: -18, peak: -3 } as const;
  const music = { ...voice, id: MUSIC_ID, name: "tune.wav", length: 20_000, peak: -9 } as const;
  return { ...facts, media: { ...facts.media, [VOICE_ID]: { ...voice, peak: -9 }, [MUSIC_ID]: music } };
};
const OFFER = {
  state: "running",
  from: "Monday 23 November",
  until: "Sunday 29 November",
  daysLeft: "3 days",
  claim: null,
} as const;
const withLogo = (change: Partial<BrandFacts>): Facts => testFacts({ brand: { ...TEST_BRAND, ...change } });
const ownWords = (id: string, text: string, at: Point): readonly Edit[] => [
  putItem(id, { kind: "words", role: "line", text, order: `a${id}`, from: "hook", to: "hook" }),
  adjust("at", at, { target: { item: id } }),
];

const COUNTER: Item = {
  kind: "counter",
  role: "figure",
  text: "# days to go",
  start: 30,
  goal: 0,
  day: null,
  order: "a1",
  from: "hook",
  to: "hook",
};
const ON_THE_DAY = testFacts({ standing: { ...NO_STANDING, today: "2026-11-27" } });

/** What a document must have for a rule to find something. */
interface Case {
  readonly rule: string;
  readonly edits: readonly Edit[];
  readonly facts?: Facts;
  /** The facts as they are when it is mended, where it is mended elsewhere. */
  readonly mendedFacts?: Facts;
  readonly words: RegExp;
  /** Where it is looked for, if other slots have it too. */
  readonly slot?: SlotKey;
  /** Whether a press mends it; else only a person can, by `mended`. */
  readonly isCured?: true;
  readonly mended?: readonly Edit[];
}
const CASES: readonly Case[] = [
  {
    rule: "slots-filled",
    edits: [fillSlot("hook.headline", words(" "))],
    words: /nothing is written/,
    mended: [fillSlot("hook.headline", words("Come in"))],
  },
  {
    rule: "words-fit",
    edits: [fillSlot("offer.terms", words("Wheelbarrow ".repeat(13).trim()))],
    words: /too long/,
    mended: [fillSlot("offer.terms", words("In the shop"))],
  },
  {
    rule: "letters-there",
    edits: [fillSlot("product.line", words("A \u{13080} on it"))],
    words: /no typeface/,
    mended: [fillSlot("product.line", words("On it"))],
  },
  {
    rule: "reading-time",
    edits: [
      fillSlot(
        "hook.headline",
        words("Come on Saturday and on Sunday too, from nine until six, and bring a friend along"),
      ),
    ],
    words: /too short to read/,
    isCured: true,
  },
  {
    rule: "inside-safe-area",
    edits: [
      adjust("place", rect(0, 0, 500, 200), {
        target: { scene: "hook", slot: "headline" },
        layer: "scene@format",
        format: "vertical",
      }),
    ],
    words: /outside the safe area/,
    isCured: true,
  },
  {
    rule: "inside-safe-area",
    edits: [placeMark({ mark: "logo", scene: "hook" }, "vertical", rect(10, 10, 400, 200))],
    words: /the logo stands outside the safe area/,
    isCured: true,
  },
  {
    rule: "logo-large-enough",
    edits: [placeMark({ mark: "logo", scene: "hook" }, "square", rect(400, 400, 60, 60))],
    words: /units wide, 160 at least/,
    isCured: true,
  },
  {
    rule: "clear-of-furniture",
    edits: [
      addPlacement(testDocument(), "vertical-full-screen"),
      adjust("place", rect(80, 1500, 700, 300), {
        target: { scene: "hook", slot: "headline" },
        layer: "scene@format",
        format: "vertical",
      }),
    ],
    words: /is covered to \d+ % by the caption of Vertical full screen/,
    isCured: true,
  },
  {
    rule: "clear-of-furniture",
    edits: [
      addPlacement(testDocument(), "in-stream"),
      placeMark({ mark: "logo", scene: "hook" }, "widescreen", rect(1560, 860, 300, 130)),
    ],
    words: /the logo is covered to \d+ % by the skip button of In a stream/,
    mended: [removePlacement("in-stream")],
  },
  {
    rule: "keeps-length",
    edits: [adjust("held", millis(25_000), { target: { scene: "" }, layer: "@all" })],
    words: /^it lasts \d+\.\d s and is held to 25\.0 s$/,
    isCured: true,
  },
  {
    // Shorter than can be read: nothing but words can mend it.
    rule: "keeps-length",
    edits: [adjust("held", millis(1000), { target: { scene: "" }, layer: "@all" })],
    words: /held to 1\.0 s; it can be read in \d+\.\d s at least$/,
    mended: [adjust("held", null, { target: { scene: "" }, layer: "@all" })],
  },
  {
    rule: "fits-placements",
    edits: [
      addPlacement(testDocument(), "vertical-day"),
      adjust("length", millis(20_000), { target: { scene: "offer" } }),
    ],
    words: /s is longer than Vertical for a day allows: 15 s/,
    isCured: true,
  },
  ...(["blur", "noise", "bands"] as const).map((fault): Case => {
    const at = (value: number): Facts => {
      const quality = { blur: 0.2, noise: 0.5, bands: 0, [fault]: value };
      return testFacts({ media: { ...testFacts().media, [PICTURE_ID]: testPicture({ quality }) } });
    };
    return {
      rule: "source-good",
      edits: [],
      // Either side of where it is seen.
      facts: at(SEEN_FROM[fault]),
      mendedFacts: at(SEEN_FROM[fault] - 0.01),
      words: { blur: /is blurred/, noise: /is noisy/, bands: /shows bands/ }[fault],
    };
  }),
  {
    rule: "picture-enlarged",
    edits: [fillSlot("hook.picture", mediaFill(LARGE)), adjust("enlarged", 2.5, { target: PICTURE })],
    facts: withSizes(),
    words: /it will look soft/,
    slot: "hook.picture",
    isCured: true,
  },
  {
    rule: "picture-enlarged",
    edits: [fillSlot("hook.picture", mediaFill(SMALL))],
    facts: withSizes(),
    words: /300 % of its pixels/,
    mended: [fillSlot("hook.picture", mediaFill(LARGE))],
  },
  {
    rule: "subject-in-sight",
    edits: [adjust("window", { x: 0.6, y: 0, width: 0.4, height: 0.4 }, { target: PICTURE })],
    words: /subject is cropped away/,
    isCured: true,
  },
  {
    rule: "no-sliver",
    // A picture of almost the format's shape, shown whole.
    edits: [
      fillSlot("hook.picture", mediaFill(SMALL)),
      adjust("window", { x: 0, y: 0, width: 1, height: 0.995 }, { target: PICTURE }),
      adjust("way", "whole", { target: PICTURE }),
    ],
    facts: withSizes(),
    words: /units free at its/,
    isCured: true,
  },
  {
    rule: "brand-spelt",
    edits: [fillSlot("hook.headline", words("Only at Quilfern this week"))],
    words: /“Quilfern” is not how “Quillfern” is spelt/,
    isCured: true,
  },
  {
    rule: "calls-to-act",
    edits: [adjust("length", millis(2000), { target: { scene: "sign-off" } })],
    words: /the call to action stays 2.0 s/,
    isCured: true,
  },
  {
    rule: "calls-to-act",
    edits: [fillSlot("sign-off.call", words(""))],
    words: /nothing says what to do/,
    mended: [fillSlot("sign-off.call", words("Come and see"))],
  },
  {
    rule: "says-something-at-once",
    edits: [fillSlot("hook.headline", words(""))],
    words: /nothing can be read/,
    mended: [fillSlot("hook.headline", words("Pots for all"))],
  },
  {
    rule: "moves-at-once",
    edits: [
      adjust("motion", "still", { target: { scene: "hook" } }),
      adjust("zoom", false, { target: { scene: "hook" } }),
    ],
    words: /nothing moves/,
    isCured: true,
  },
  {
    rule: "pictures-differ",
    edits: [
      ...["hook.picture", "product.picture"].map((slot) => fillSlot(slot as SlotKey, mediaFill(PICTURE_ID))),
      fillSlot("sign-off.picture", mediaFill(CLIP_ID)),
    ],
    words: /the same as the scene before/,
    slot: "product.picture",
    mended: [fillSlot("product.picture", mediaFill(CLIP_ID))],
  },
  {
    rule: "not-too-long",
    edits: [adjust("length", millis(20_000), { target: { scene: "offer" } })],
    words: /is long/,
    mended: [adjust("length", millis(4000), { target: { scene: "offer" } })],
  },
  {
    rule: "rights-clear",
    edits: [fillSlot("hook.picture", mediaFill(PICTURE_ID))],
    facts: withStanding({ rights: { [PICTURE_ID]: "ended" } }),
    words: /“pot.jpg” may not be used any more/,
    mendedFacts: withStanding({ rights: { [PICTURE_ID]: "clear" } }),
  },
  {
    rule: "rights-clear",
    edits: [fillSlot("hook.picture", mediaFill(PICTURE_ID)), fillSlot("product.picture", mediaFill(PICTURE_ID))],
    facts: withStanding({ rights: { [PICTURE_ID]: "missing" } }),
    words: /has no note of who allows its use/,
    mended: ["hook.picture", "product.picture", "offer.picture"].map((slot) =>
      fillSlot(slot as SlotKey, mediaFill(CLIP_ID)),
    ),
  },
  {
    rule: "rights-clear",
    edits: [
      fillSlot("hook.picture", mediaFill(LARGE)),
      adjust("way", "whole", { target: PICTURE }),
      adjust("behind", { kind: "picture", media: SMALL }, { target: PICTURE }),
    ],
    facts: { ...withSizes(), standing: { ...NO_STANDING, rights: { [SMALL]: "not-yet" } } },
    words: /may not be used yet/,
    mended: [adjust("behind", { kind: "color", color: "ground" }, { target: PICTURE })],
  },
  {
    rule: "offer-runs",
    edits: [],
    facts: withStanding({ offer: { ...OFFER, state: "ended" } }),
    words: /the offer ended on Sunday 29 November/,
    mendedFacts: withStanding({ offer: OFFER }),
  },
  {
    rule: "offer-runs",
    edits: [],
    facts: withStanding({ offer: { ...OFFER, state: "coming" } }),
    words: /begins on Monday 23 November/,
    mendedFacts: withStanding({ offer: OFFER }),
  },
  {
    rule: "price-claim-allowed",
    edits: [],
    facts: withStanding({ offer: { ...OFFER, claim: "The price before may be at most £22.00" } }),
    words: /at most £22.00/,
    mendedFacts: withStanding({ offer: OFFER }),
  },
  {
    rule: "chips-filled",
    edits: [fillSlot("hook.headline", words("Down by {percent} until {last day}"))],
    facts: testFacts({ offer: null }),
    words: /^\{percent\} stands for nothing: it needs an offer that changes the price$/,
    mendedFacts: testFacts(),
    slot: "hook.headline",
  },
  {
    rule: "chips-filled",
    edits: [putItem("9", { kind: "words", role: "line", text: "Ask {handle}", order: "a9", from: "hook", to: "hook" })],
    facts: withLogo({ handle: "" }),
    words: /^\{handle\} stands for nothing: it needs a handle in the brand book$/,
    mendedFacts: testFacts(),
  },
  {
    rule: "logo-large-enough",
    edits: [],
    facts: withLogo({ logoRules: { clearSpace: 0.25, leastWidth: 600 } }),
    words: /units wide, 600 at least/,
    mendedFacts: withLogo({ logoRules: { clearSpace: 0.25, leastWidth: 160 } }),
  },
  {
    rule: "logo-large-enough",
    edits: [placeMark({ mark: "logo", scene: "sign-off" }, "square", rect(400, 520, 280, 70))],
    words: /stands in the clear space of the logo/,
    isCured: true,
  },
  {
    rule: "logo-stands-out",
    edits: [],
    facts: withLogo({
      logos: [{ variant: "light", picture: { ...TEST_LOGO, colors: [{ hex: "#fffdf8", share: 1 }] } }],
    }),
    words: /no logo of Quillfern stands out/,
    mendedFacts: testFacts(),
  },
  {
    rule: "brand-colors",
    edits: [
      fillSlot("hook.picture", mediaFill(PICTURE_ID)),
      adjust("way", "whole", { target: PICTURE }),
      adjust("behind", { kind: "gradient", from: "primary", to: "#12ab34", angle: 90 }, { target: PICTURE }),
    ],
    words: /#12ab34 beside the picture is not a colour of Quillfern/,
    isCured: true,
  },
  {
    rule: "items-in-safe-area",
    edits: ownWords("1", "Only on Saturday", { x: 0.5, y: 0.01 }),
    words: /“Only on Saturday” stands outside the safe area/,
    mended: [adjust("at", { x: 0.5, y: 0.3 }, { target: { item: "1" } })],
  },
  {
    rule: "items-readable",
    edits: ownWords(
      "1",
      "Bring whatever grew too large for its pot, and we will find it another one before the frost comes back to us",
      {
        x: 0.5,
        y: 0.4,
      },
    ),
    words: /too short to read/,
    mended: [adjust("length", millis(30_000), { target: { scene: "hook" } })],
  },
  {
    rule: "texts-apart",
    edits: [
      ...ownWords("1", "Only on Saturday", { x: 0.5, y: 0.3 }),
      ...ownWords("2", "And Sunday", { x: 0.5, y: 0.31 }),
    ],
    words: /“And Sunday” stands over “Only on Saturday”/,
    mended: [adjust("at", { x: 0.5, y: 0.15 }, { target: { item: "2" } })],
  },
  {
    rule: "counts-to-coming",
    edits: [putItem("1", { ...COUNTER, day: "2026-11-26" })],
    facts: ON_THE_DAY,
    words: /counts to 2026-11-26, which has passed/,
    isCured: true,
  },
  {
    rule: "counts-to-coming",
    edits: [putItem("1", { ...COUNTER, day: "2026-11-27" })],
    facts: ON_THE_DAY,
    words: /counts to today/,
    mended: [putItem("1", { ...COUNTER, day: "2026-11-28" })],
  },
  {
    // The scene is long enough for its words, but they come late and go early.
    rule: "reading-time",
    edits: [
      adjust("comesAt", millis(1500), { target: { scene: "hook", slot: "headline" } }),
      adjust("goesBefore", millis(1500), { target: { scene: "hook", slot: "headline" } }),
    ],
    words: /too short to read/,
    slot: "hook.headline",
    isCured: true,
  },
  {
    rule: "captions-readable",
    edits: [putCaption("1", { language: "en", from: millis(1000), to: millis(1300), text: "Come and choose yours" })],
    words: /the caption “Come and choose yours” needs 1\.8 s and has 0\.3 s/,
    isCured: true,
  },
  {
    rule: "captions-apart",
    edits: [
      putCaption("1", { language: "en", from: millis(1000), to: millis(4000), text: "First" }),
      putCaption("2", { language: "en", from: millis(3000), to: millis(5000), text: "Second" }),
    ],
    words: /the captions “First” and “Second” are shown at once/,
    isCured: true,
  },
  {
    rule: "only-heard",
    edits: [
      putSound("voice", { order: "a0", lane: "voice", media: VOICE_ID, says: "Come on Friday.", at: millis(500) }),
    ],
    facts: withVoice(),
    words: /“Come on Friday.” can only be heard, at 0\.5 s/,
    isCured: true,
  },
  {
    rule: "voice-above-music",
    edits: [
      putSound("bed", { order: "a0", lane: "music", media: MUSIC_ID }),
      putSound("voice", { order: "a1", lane: "voice", media: VOICE_ID, at: millis(1000) }),
      adjust("stepsBack", 2, FOR_ALL),
    ],
    facts: withVoice(),
    // Both are as loud as the template has it, the music two decibels less.
    words: /the voice at 1\.0 s is only 2\.0 dB over the music/,
    isCured: true,
  },
];

test.each(CASES)(
  "$rule: $words is found, and goes when it is mended",
  async ({ rule, edits, facts, mendedFacts, ...one }) => {
    const document = after(edits);
    const before = await found(document, facts);
    const isOwn = (finding: Finding): boolean =>
      finding.rule === rule &&
      one.words.test(finding.words) &&
      (one.slot === undefined || finding.where.slot === one.slot);
    const own = before.filter(isOwn);
    expect(own.length).toBeGreaterThan(0);
    const cures = one.isCured ? [defined(own[0]?.cures[0])] : (one.mended ?? []);
    // Whatever formats it was found in, one press each mends it.
    const pressed = one.isCured ? own.flatMap(({ cures: [cure] }) => (cure ? [cure] : [])) : cures;
    const mended = await found(after(pressed, document), mendedFacts ?? facts);
    expect(mended.filter(isOwn)).toEqual([]);
    // Nothing that must be mended was brought in by mending.
    const wrong = (findings: readonly Finding[]) => findings.filter(({ severity }) => severity === "wrong").length;
    expect(wrong(mended)).toBeLessThanOrEqual(wrong(before));
  },
);

test("every rule is tested here, or where it says", () => {
  const elsewhere = ["contrast-on-pictures", "subject-uncovered", "own-words", "own-media", "no-flashes"];
  // See soundRules.test.ts.
  elsewhere.push("loudness-on-target", "peaks-kept", "no-silence", "heard-from-one-speaker");
  expect([...new Set([...CASES.map(({ rule }) => rule), ...elsewhere])].sort()).toEqual(
    RULES.map(({ id }) => id).sort(),
  );
});

test("subject-uncovered: words over the point that a picture is of are told of, with the words", async () => {
  const facts = testFacts();
  const low: Facts = {
    ...facts,
    media: { ...facts.media, [PICTURE_ID]: testPicture({ focal: { x: 0.2, y: 0.86 } }) },
  };
  const over = (await found(testDocument(), low)).filter(({ rule }) => rule === "subject-uncovered");
  expect(over.some(({ where }) => where.slot === "hook.picture")).toBe(true);
  const none = (await found(testDocument())).filter(
    ({ rule, where }) => rule === "subject-uncovered" && where.slot === "hook.picture",
  );
  expect(none).toEqual([]);
});

test("subject-uncovered: one press lets the words stand where they cover least of it", async () => {
  const tones = "c0c8b0".repeat(TONES_LENGTH / 6);
  const low = testPicture({ focal: { x: 0.3, y: 0.8 }, tones: [tones] });
  const facts = testFacts({ media: { ...testFacts().media, [PICTURE_ID]: low } });
  const own = (findings: readonly Finding[]) =>
    findings.filter(({ rule, where }) => rule === "subject-uncovered" && where.slot === "hook.picture");
  const covered = own(await found(testDocument(), facts));
  expect(covered.length).toBeGreaterThan(0);
  const pressed = covered.map(({ cures: [cure] }) => defined(cure));
  expect(own(await found(after(pressed), facts))).toEqual([]);
});

test("own-media: a picture of the template's is told of until one is chosen, even the same again", async () => {
  const ref = templateKey(testDocument().template);
  const base = defined(testFacts().templates[ref]);
  const withMedia = ({ slots, ...scene }: SceneTemplate): SceneTemplate => ({
    ...scene,
    slots: slots.map((slot) => (slot.kind === "media" ? { ...slot, media: PICTURE_ID } : slot)),
  });
  const scenes = base.scenes.map((scene) => (scene.id === "hook" ? withMedia(scene) : scene));
  const facts = testFacts({ templates: { ...testFacts().templates, [ref]: { ...base, scenes } } });
  const own = async (document: Promotion) =>
    (await found(document, facts)).filter(({ rule }) => rule === "own-media").map(({ where }) => where.slot);
  const bare = { ...testDocument(), fills: {} };
  expect(await own(bare)).toEqual(["hook.picture"]);
  expect(await own(after([fillSlot("hook.picture", mediaFill(PICTURE_ID))], bare))).toEqual([]);
});

test("own-words: the template's own words are told of until they are written, even if they are written again", async () => {
  const own = async (document: Promotion) =>
    (await found(document)).filter(({ rule }) => rule === "own-words").map(({ where }) => where.slot);
  const bare = { ...testDocument(), fills: {} };
  expect(await own(bare)).toContain("hook.headline");
  const text = defined(resolvePromotion(bare, testFacts()).scenes[0]?.words["headline"]);
  expect(await own(after([fillSlot("hook.headline", words(text))], bare))).not.toContain("hook.headline");
});

test("items do not stand in the way of what is found in scenes", async () => {
  const document = after([
    putItem("tick", { kind: "sticker", sticker: "tick", order: "a0", from: "hook", to: "hook" }),
  ]);
  expect(await found(document)).toEqual(await found(testDocument()));
});
