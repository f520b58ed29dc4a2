import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { LRUCache } from "lru-cache";
import sharp from "sharp";
import { array, string } from "yup";
import { type ClipFacts, type MediaFacts, type PictureFacts } from "../../core/document/facts";
import { CLIP_MOMENTS, TONES_LENGTH, type Tones, measureTones, momentFrame } from "../../core/picture/tones";
import { log } from "../log";
import { levelKey, tonesKey, workKey } from "../storage/keys";
import { store } from "../storage/store";
import { writeFrame } from "./clipFrame";
import { inWorkFolder } from "../workFolder";

const SIDE = 480;

const schema = array(
  string()
    .length(TONES_LENGTH)
    .matches(/^[0-9a-f]+$/)
    .required(),
)
  .min(1)
  .required();
const known = new LRUCache<string, readonly Tones[]>({ max: 200 });

/**
 * What an item's pixels are like, for choosing what goes behind words on it; measured once and kept beside its working
 * copies. Of a clip at four moments.
 */
export async function tonesOf(item: PictureFacts | ClipFacts, sha256: string): Promise<readonly Tones[]> {
  const found = known.get(sha256) ?? (await readTones(item, sha256));
  known.set(sha256, found);
  return found;
}

/** Facts with their tones. Sounds have none, and neither has an item whose working copies are gone: its words get the usual shade. */
export async function withTones(item: MediaFacts, sha256: string): Promise<MediaFacts> {
  if (item.kind === "sound") return item;
  try {
    return { ...item, tones: await tonesOf(item, sha256) };
  } catch (error) {
    log.warn({ error, media: item.id }, "tones could not be measured");
    return item;
  }
}

async function readTones(item: PictureFacts | ClipFacts, sha256: string): Promise<readonly Tones[]> {
  const path = await tonesPath(item, sha256);
  return schema.validateSync(JSON.parse(await readFile(path, "utf8")));
}

/** The file that holds an item's tones as JSON, made when it is first asked for. */
export async function tonesPath(item: PictureFacts | ClipFacts, sha256: string): Promise<string> {
  const key = tonesKey(sha256);
  if (!(await store().has(key))) {
    await inWorkFolder("tones", async (folder) => {
      const pictures =
        item.kind === "clip" ? await clipMoments(item, sha256, folder) : [await store().local(levelKey(sha256, 0))];
      const tones = await Promise.all(pictures.map(tonesOfFile));
      const file = join(folder, "tones.json");
      await writeFile(file, JSON.stringify(tones));
      await store().keep(key, file);
    });
  }
  return store().local(key);
}

/**
 * The tones of a picture file. Pixels are picked, not smoothed: what is brightest and darkest in the picture is what words
 * must stand out from.
 */
async function tonesOfFile(path: string): Promise<Tones> {
  const { data, info } = await sharp(path)
    .flatten({ background: "#ffffff" })
    .toColorspace("srgb")
    .ensureAlpha()
    .resize(SIDE, SIDE, { fit: "fill", kernel: "nearest" })
    .raw()
    .toBuffer({ resolveWithObject: true });
  return measureTones(data, info);
}

async function clipMoments({ frames, rate }: ClipFacts, sha256: string, folder: string): Promise<string[]> {
  const path = await store().local(workKey(sha256));
  const pictures: string[] = [];
  for (const index of CLIP_MOMENTS.keys()) {
    const file = join(folder, `${index}.png`);
    const filter = `scale=${SIDE}:${SIDE}:flags=neighbor:in_color_matrix=bt709:in_range=tv`;
    await writeFrame({ path, rate }, momentFrame(index, frames), filter, file);
    pictures.push(file);
  }
  return pictures;
}
