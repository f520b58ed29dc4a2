import { copyFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { CLIPS, CLIPS_FOLDER } from "./art/clips";
import { LOGOS, quillfernLogo, tallowbyLogo } from "./art/logo";
import { PICTURES, drawPicture } from "./art/pictures";
import { playTune, TUNES } from "../server/shelf/tunes";
import { wavFile } from "../server/shelf/synth";

/** The tunes the made-up team has brought in. */
const HOUSE_TUNES = TUNES.filter(({ name }) => name === "potting-bench.wav" || name === "morning-watering.wav");

export const BAKEHOUSE_LOGO = "tallowby-sign.svg";

/** Names of all files of the demo world, the ones that take longest first. */
export const FILE_NAMES: readonly string[] = [...CLIPS, ...PICTURES, ...HOUSE_TUNES]
  .map(({ name }) => name)
  .concat(Object.keys(LOGOS), BAKEHOUSE_LOGO);

/** Makes one file of the demo world in a folder, the same bytes' worth of picture or sound every time. */
export async function makeFile(name: string, folder: string): Promise<void> {
  const path = join(folder, name);
  const seed = 1000 + FILE_NAMES.indexOf(name);
  const picture = PICTURES.find((one) => one.name === name);
  if (picture)
    return writeFile(
      path,
      await (picture.cutOut ? drawPicture(picture, seed).encode("png") : drawPicture(picture, seed).encode("jpeg", 92)),
    );
  if (CLIPS.some((clip) => clip.name === name)) return copyFile(join(CLIPS_FOLDER, name), path);
  const tune = HOUSE_TUNES.find((one) => one.name === name);
  if (tune) return writeFile(path, wavFile(playTune(tune, seed)));
  if (name === BAKEHOUSE_LOGO) return writeFile(path, tallowbyLogo());
  const logo = LOGOS[name];
  if (logo) return writeFile(path, quillfernLogo(logo));
  throw new RangeError(`The demo world has no file “${name}”.`);
}
