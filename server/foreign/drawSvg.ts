import { writeFile } from "node:fs/promises";
import { Resvg } from "@resvg/resvg-js";
import { Refusal } from "../../core/refusal";

/** The longer side of a drawing that is turned to pixels. */
const LONGEST_SIDE = 2048;

/** Turns an SVG to a PNG file, as wide or as high as logos are needed. Throws a Refusal where it can't be drawn. */
export async function drawSvg({ text, to, name }: { text: string; to: string; name: string }): Promise<void> {
  let png: Uint8Array;
  try {
    const font = { loadSystemFonts: false };
    const { width, height } = new Resvg(text, { font });
    const fitTo = { mode: width >= height ? "width" : "height", value: LONGEST_SIDE } as const;
    png = new Resvg(text, { fitTo, font }).render().asPng();
  } catch {
    throw new Refusal(`“${name}” is damaged: it can't be drawn as SVG. Export it again, or bring it as PNG.`);
  }
  await writeFile(to, png);
}
