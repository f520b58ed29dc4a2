import { mkdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { levelLength } from "../../core/geometry/pyramid";
import { EMOJI_LEVELS, EMOJI_SIDE } from "../../core/type/emojiPictures";
import { store } from "../storage/store";
import { packageFolder } from "./faceFiles";
import { inWorkFolder } from "../workFolder";

const CODE = /^[0-9a-f]+(-[0-9a-f]+)*$/;

/** A local file with the colour picture of an emoji at a level, made from its drawing on first use. */
export async function emojiFile(code: string, level: number): Promise<string> {
  if (!CODE.test(code) || !Number.isInteger(level) || level < 0 || level >= EMOJI_LEVELS)
    throw new RangeError("There is no such emoji picture.");
  const key = `emoji/${code}/${level}.webp`;
  if (!(await store().has(key))) await drawEmoji(code, level, key);
  return store().local(key);
}

async function drawEmoji(code: string, level: number, key: string): Promise<void> {
  const drawing = await readFile(join(packageFolder("@twemoji/svg"), `${code}.svg`), "utf8");
  const full = new Resvg(drawing, { fitTo: { mode: "width", value: EMOJI_SIDE } }).render().asPng();
  await inWorkFolder("emoji", async (folder) => {
    await mkdir(folder, { recursive: true });
    const side = levelLength(EMOJI_SIDE, level);
    const file = join(folder, "picture.webp");
    await sharp(full).resize(side, side, { kernel: "lanczos3" }).webp({ lossless: true }).toFile(file);
    await store().keep(key, file);
  });
}
