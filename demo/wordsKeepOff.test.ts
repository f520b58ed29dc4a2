import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { CLEAREST, newArrangement } from "../core/document/arrangements";
import { type PictureFacts } from "../core/document/facts";
import { framedPicture, PLAIN_FRAMING, pointShown } from "../core/geometry/framedPicture";
import { contains, rect, wholeOf } from "../core/geometry/rect";
import { USUAL_FORMATS, formatOf } from "../core/placement/formats";
import { type PlacedSlot } from "../core/scene/prepared";
import { prepareIn } from "../core/scene/preparePromotion";
import { testBook } from "../core/testing/fonts";
import { PICTURE_ID, testFacts, testPicture } from "../core/testing/promotions";
import { sceneOf } from "../core/testing/scenes";
import { triedScenes } from "../core/testing/tried";
import { subjectOf } from "../server/media/pictureLook";
import { measureTones } from "../core/picture/tones";
import { seeded } from "../server/shelf/random";
import { PICTURES, drawPicture } from "./art/pictures";

/** A picture as a file, and where its subject is, in shares of it. */
interface Known {
  readonly name: string;
  readonly file: Buffer;
  /** An ellipse around it; null where it is taken to be around the focal point. */
  readonly subject: Ellipse | null;
}
interface Ellipse {
  readonly x: number;
  readonly y: number;
  readonly across: number;
  readonly down: number;
}

const [WIDTH, HEIGHT] = [600, 450];
/** Enough pixels to measure what words would stand on. */
const TONES_SIDE = 220;
/** Of a picture whose subject nobody drew: this far around its focal point. */
const AROUND = 0.12;

/** A made-up picture: a soft ground with muted patches, and one thing on it of another colour. */
async function madeUp(seed: number): Promise<Known> {
  const random = seeded(seed);
  const subject = {
    x: random.between(0.2, 0.8),
    y: random.between(0.18, 0.82),
    across: random.between(0.08, 0.16),
    down: random.between(0.1, 0.18),
  };
  const hue = random.between(0, 360);
  const patches = Array.from({ length: 60 }, () => {
    const [x, y] = [random.between(0, WIDTH), random.between(0, HEIGHT)];
    const light = random.between(55, 75);
    return `<rect x="${x}" y="${y}" width="70" height="50" fill="hsl(${hue} 12% ${light}%)" opacity="0.5"/>`;
  });
  const ellipse = (share: number, fill: string): string =>
    `<ellipse cx="${subject.x * WIDTH}" cy="${subject.y * HEIGHT}" rx="${subject.across * WIDTH * share}" ry="${subject.down * HEIGHT * share}" fill="${fill}"/>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
    <rect width="100%" height="100%" fill="hsl(${hue} 14% 66%)"/>${patches.join("")}
    ${ellipse(1, `hsl(${hue + 180} 75% 38%)`)}${ellipse(0.5, `hsl(${hue + 200} 80% 52%)`)}</svg>`;
  return { name: `made up ${seed}`, file: await sharp(Buffer.from(svg)).png().toBuffer(), subject };
}

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-words-"));
});
afterAll(() => rm(folder, { recursive: true }));

/** A picture measured as ingest does it. */
async function measured({ name, file }: Known): Promise<PictureFacts> {
  const path = join(folder, `${name.replaceAll(/\W+/g, "-")}.png`);
  await writeFile(path, file);
  const { width, height } = await sharp(file).metadata();
  const picked = sharp(file).ensureAlpha().resize(TONES_SIDE, TONES_SIDE, { fit: "fill", kernel: "nearest" });
  const tones = measureTones(await picked.raw().toBuffer(), { width: TONES_SIDE, height: TONES_SIDE });
  const focal = await subjectOf(path);
  return testPicture({ width, height, levels: 1, focal, tones: [tones] });
}

const book = testBook();
const FILLS = {
  "scene.headline": { kind: "words", text: "Come and see" },
  "scene.line": { kind: "words", text: "New in the yard, from Saturday on" },
} as const;

interface Covered {
  /** The share of what is seen of the subject that words lie over, in each format. */
  readonly shares: readonly number[];
  readonly words: readonly PlacedSlot[];
}

async function coveredAt(
  words: "bottom" | typeof CLEAREST,
  picture: PictureFacts,
  { x, y, across, down }: Ellipse,
): Promise<Covered> {
  const template = sceneOf({ ...newArrangement("full-picture"), words });
  const media = { ...testFacts().media, [PICTURE_ID]: picture };
  const promotion = await triedScenes(book, [template], FILLS, { media });
  const inFormats = USUAL_FORMATS.map((name) => {
    const format = formatOf(name);
    const slots = prepareIn(promotion, format, null, book).scenes[0]?.slots ?? [];
    const set = slots.filter((slot) => slot.kind === "words" && slot.place.width > 0);
    const framed = framedPicture(picture, wholeOf(format), PLAIN_FRAMING, { focal: picture.focal });
    let [seen, hidden] = [0, 0];
    for (let step = 0; step < 400; step++) {
      // Spread evenly over the ellipse: along a spiral of the golden angle.
      const [far, angle] = [Math.sqrt((step + 0.5) / 400), step * 2.399963];
      const at = { x: x + across * far * Math.cos(angle), y: y + down * far * Math.sin(angle) };
      const shown = pointShown(picture, framed, at);
      if (!shown) continue;
      seen++;
      if (set.some(({ place }) => contains(place, rect(shown.x, shown.y, 0, 0)))) hidden++;
    }
    return { share: seen > 0 ? hidden / seen : 0, set };
  });
  return { shares: inFormats.map(({ share }) => share), words: inFormats.flatMap(({ set }) => set) };
}

async function bothWays(
  pictures: readonly Known[],
): Promise<{ bottom: number; clearest: number; words: PlacedSlot[] }> {
  const found = { bottom: 0, clearest: 0, words: [] as PlacedSlot[] };
  const sum = (shares: readonly number[]): number => shares.reduce((total, share) => total + share, 0);
  for (const known of pictures) {
    const picture = await measured(known);
    const subject = known.subject ?? { ...picture.focal, across: AROUND, down: AROUND };
    found.bottom += sum((await coveredAt("bottom", picture, subject)).shares);
    const { shares, words } = await coveredAt(CLEAREST, picture, subject);
    found.clearest += sum(shares);
    found.words.push(...words);
  }
  return found;
}

const isLegible = ({ backing }: PlacedSlot): boolean =>
  backing !== undefined && (backing.kind === "panel" || (backing.contrast ?? 0) >= backing.wanted - 1e-6);

test("in 40 made-up pictures, words at the clearest place cover at most half as much of the subject as at the bottom", async () => {
  const pictures = await Promise.all(Array.from({ length: 40 }, (_, at) => madeUp(500 + at)));
  const { bottom, clearest, words } = await bothWays(pictures);
  expect(bottom).toBeGreaterThan(10);
  expect(clearest).toBeLessThanOrEqual(bottom / 2);
  expect(words.every(isLegible)).toBe(true);
}, 120_000);

test("in the pictures of the demo world too", async () => {
  const pictures = PICTURES.filter(({ cutOut }) => !cutOut).map(async (picture, at): Promise<Known> => {
    const small = { ...picture, width: 800, height: Math.round((800 * picture.height) / picture.width) };
    const file = await drawPicture(small, 1000 + at).encode("jpeg", 92);
    return { name: picture.name, file, subject: null };
  });
  const { bottom, clearest, words } = await bothWays(await Promise.all(pictures));
  expect(bottom).toBeGreaterThan(0.3);
  expect(clearest).toBeLessThanOrEqual(bottom / 2);
  expect(words.every(isLegible)).toBe(true);
}, 120_000);
