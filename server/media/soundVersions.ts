import { join } from "node:path";
import { SPEEDS } from "../../core/document/shots";
import { type SoundVersion, samplesFile } from "../../core/sound/mixedPiece";
import { type Treatment, readTreatment } from "../../core/sound/treatment";
import { versionKey } from "../storage/keys";
import { store } from "../storage/store";
import { type BroughtFile } from "./broughtFile";
import { filteredInStep } from "./filteredInStep";
import { samplesPath } from "./soundSamples";
import { treat } from "./treatedSamples";
import { inWorkFolder } from "../workFolder";

/** How samples are made before they are heard; nothing for as they are. */
type Version = Omit<SoundVersion, "sound">;

const PLAIN = "samples";
const TEMPO = /^samples-x(\d{1,2}(?:\.\d{1,4})?)$/;
const MADE = /^samples-(.+)$/;

/** What the samples of a file name are; null where it names none. */
export function versionNamed(file: string): Version | null {
  if (file === PLAIN) return {};
  const tempo = Number(TEMPO.exec(file)?.[1] ?? Number.NaN);
  if (tempo >= SPEEDS.least && tempo <= SPEEDS.most) return { tempo };
  const treated = MADE.exec(file)?.[1];
  return treated !== undefined && readTreatment(treated) ? { treated } : null;
}

/** The file that holds the samples of an item's sound as they are heard, made when it is first asked for. */
export async function versionPath(item: Pick<BroughtFile, "sha256" | "name">, version: Version): Promise<string> {
  const treatment = version.treated === undefined ? null : readTreatment(version.treated);
  if (!treatment && version.tempo === undefined) return samplesPath(item);
  const key = versionKey(item.sha256, samplesFile(version));
  if (!(await store().has(key))) {
    await inWorkFolder("version", async (folder) => {
      const to = join(folder, "samples");
      await made({ treatment, tempo: version.tempo ?? 1 }, { path: await samplesPath(item), folder, to });
      await store().keep(key, to);
    });
  }
  return store().local(key);
}

/** Makes samples as they are heard: worked on, or faster or slower and as high as they were. */
const made = (
  { treatment, tempo }: { readonly treatment: Treatment | null; readonly tempo: number },
  files: { readonly path: string; readonly folder: string; readonly to: string },
): Promise<void> =>
  treatment ? treat(treatment, files) : filteredInStep({ ...files, tempo, filter: `rubberband=tempo=${tempo}` });
