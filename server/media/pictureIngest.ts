import { join } from "node:path";
import { readFile } from "node:fs/promises";
import sharp from "sharp";
import { type PictureFacts } from "../../core/document/facts";
import { levelLength, pyramidLevels } from "../../core/geometry/pyramid";
import { config } from "../config";
import { readForeign } from "../foreign/readForeign";
import { levelKey } from "../storage/keys";
import { store } from "../storage/store";
import { type PictureLook, pictureLook } from "./pictureLook";
import { type BroughtFile } from "./broughtFile";
import { opaquePart } from "./opaquePart";
import { svgProblem } from "./svgSafety";
import { UploadProblem } from "./uploadProblem";

/** The longest side of the largest working copy: enough for a 4K frame with room to crop. */
const LONGEST_SIDE = 4096;
/** The working copy that the look is measured from: large enough to tell sharp from soft. */
const LOOK_LEVEL = 1;

type Pyramid = Pick<PictureFacts, "width" | "height" | "levels" | "cutOut">;
export type IngestedPicture = Pyramid & { readonly look: PictureLook };

/**
 * Makes the pyramid of working copies: upright, sRGB, WebP, each half the one before. Throws an UploadProblem, naming the
 * file and the limit, when the picture is damaged or too large.
 */
export async function ingestPicture(brought: BroughtFile): Promise<IngestedPicture> {
  const { path, name, sha256 } = brought;
  const input = brought.type.mime === "image/svg+xml" ? await rasteriseSvg(brought) : path;
  const limit = config().LIMIT_PICTURE_PIXELS;
  const about = await sharp(input, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!about?.width || !about.height)
    throw new UploadProblem(`“${name}” is damaged: it can't be opened as a picture. Export or copy it again.`);
  if (about.width * about.height > limit)
    throw new UploadProblem(
      `“${name}” is ${about.width} × ${about.height} pixels; the limit is ${Math.round(limit / 1e6)} million. Bring it smaller.`,
    );
  const holds = { hasAlpha: about.hasAlpha, hasHalfColor: about.chromaSubsampling === "4:2:0" };
  const pyramid = await makePyramid(input, holds, brought);
  return {
    ...pyramid,
    look: await pictureLook(await store().local(levelKey(sha256, Math.min(pyramid.levels - 1, LOOK_LEVEL)))),
  };
}

/** What a picture holds, as it comes. */
interface Holds {
  readonly hasAlpha: boolean;
  /** Colour at half the resolution of light (4:2:0), as photographs and frames of clips have it. */
  readonly hasHalfColor: boolean;
}

/** The levels of any picture sharp can read, into the store under its hash. See-through borders are cut off. */
export async function makePyramid(
  input: string | Buffer,
  { hasAlpha, hasHalfColor }: Holds,
  { sha256, name, folder }: Pick<BroughtFile, "sha256" | "name" | "folder">,
): Promise<Pyramid> {
  // Rotated by EXIF, brought from its own profile (or CMYK) to sRGB.
  const upright = await sharp(input, { limitInputPixels: config().LIMIT_PICTURE_PIXELS, failOn: "error" })
    .rotate()
    .toColorspace("srgb")
    .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: "inside", withoutEnlargement: true })
    .raw()
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw new UploadProblem(`“${name}” is cut short or damaged. Export or copy it again.`);
    });
  const { channels } = upright.info;
  const seen = hasAlpha && channels === 4 ? opaquePart(upright.data, upright.info.width, upright.info.height) : null;
  const { width, height } = seen ?? upright.info;
  const data = seen
    ? await sharp(upright.data, { raw: upright.info })
        .extract({ left: seen.x, top: seen.y, width, height })
        .raw()
        .toBuffer()
    : upright.data;
  const isReduced = Math.max(upright.info.width, upright.info.height) === LONGEST_SIDE;
  const levels = pyramidLevels({ width, height });
  let above = { data, width, height };
  for (let level = 0; level < levels; level++) {
    const size = { width: levelLength(width, level), height: levelLength(height, level) };
    const raw = { width: above.width, height: above.height, channels };
    const data =
      level === 0
        ? above.data
        : await sharp(above.data, { raw })
            .resize({ ...size, fit: "fill", kernel: "lanczos3" })
            .raw()
            .toBuffer();
    const file = join(folder, `level-${level}.webp`);
    // Colours next to each other are kept apart with care, which takes four times as long: not where they came mixed.
    const smartSubsample = !(hasHalfColor && level === 0 && !isReduced);
    // The largest is seldom shown: pressing it to half its bytes would take six times as long.
    const effort = hasAlpha && level === 0 && levels > 1 ? 0 : 2;
    await sharp(data, { raw: { ...size, channels } })
      .webp(hasAlpha ? { lossless: true, effort } : { quality: 92, smartSubsample, effort })
      .toFile(file);
    await store().keep(levelKey(sha256, level), file);
    above = { data, ...size };
  }
  return { width, height, levels, ...(seen && isCutOut(data, width, height) ? { cutOut: true } : {}) };
}

/** A picture of which this much is see-through stands free: a product cut out of its background. */
const FREE_SHARE = 0.08;

function isCutOut(rgba: Uint8Array, width: number, height: number): boolean {
  let free = 0;
  for (let at = 3; at < rgba.length; at += 4) if ((rgba[at] ?? 255) < 32) free++;
  return free / (width * height) >= FREE_SHARE;
}

/** Gives the file that holds the drawing as pixels. */
async function rasteriseSvg({ path, name, folder }: BroughtFile): Promise<string> {
  const text = await readFile(path, "utf8");
  const problem = svgProblem(text);
  if (problem) throw new UploadProblem(`“${name}” ${problem} Export it as plain shapes, or bring it as PNG.`);
  const to = join(folder, "drawn.png");
  await readForeign({ task: "drawSvg", input: { text, to, name } }, name);
  return to;
}
