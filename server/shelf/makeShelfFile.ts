import { writeFile } from "node:fs/promises";
import { type Canvas, createCanvas } from "@napi-rs/canvas";
import { BT709 } from "../media/clipIngest";
import { startFrameEncoder } from "../media/frameEncoder";
import { EFFECTS } from "./effects";
import { MOTIFS, type MotifColors, type MotifName } from "./motifs";
import { seeded } from "./random";
import { type ShelfRecipe } from "./shelfItems";
import { wavFile } from "./synth";
import { playTune, TUNES } from "./tunes";

/** How large a file is made: `preview` to look at, `full` to keep. */
export type ShelfSize = "preview" | "full";

const PICTURE_SIDE = { preview: 480, full: 2160 } as const;
const CLIP_SIDE = { preview: 360, full: 1080 } as const;
const CLIP_RATE = { preview: 15, full: 30 } as const;
const LOOP_SECONDS = 6;

/** What a recipe's file is called after the dot, and what it is. */
export function shelfFileType(recipe: ShelfRecipe): { readonly ending: string; readonly type: string } {
  switch (recipe.kind) {
    case "picture":
      return { ending: "jpg", type: "image/jpeg" };
    case "clip":
      return { ending: "mp4", type: "video/mp4" };
    case "tune":
    case "effect":
      return { ending: "wav", type: "audio/wav" };
  }
}

/** Makes an item's file, the same for the same recipe. Throws when it can't be written. */
export async function makeShelfFile(recipe: ShelfRecipe, size: ShelfSize, path: string): Promise<void> {
  switch (recipe.kind) {
    case "picture": {
      const canvas = createCanvas(PICTURE_SIDE[size], PICTURE_SIDE[size]);
      drawMotif(canvas, recipe.motif, recipe.colors, recipe.seed, 0);
      return writeFile(path, await canvas.encode("jpeg", size === "full" ? 93 : 84));
    }
    case "clip":
      return makeLoop(recipe, size, path);
    case "tune": {
      const score = TUNES.find(({ name }) => name === recipe.tune);
      if (!score) throw new RangeError(`There is no tune “${recipe.tune}”.`);
      return writeFile(path, wavFile(playTune(score, recipe.seed)));
    }
    case "effect":
      return writeFile(path, wavFile(EFFECTS[recipe.effect](seeded(recipe.seed))));
  }
}

function drawMotif(canvas: Canvas, motif: MotifName, colors: MotifColors, seed: number, phase: number): void {
  MOTIFS[motif](canvas.getContext("2d"), canvas.width, canvas.height, colors, seeded(seed), phase);
}

async function makeLoop(recipe: Extract<ShelfRecipe, { kind: "clip" }>, size: ShelfSize, path: string): Promise<void> {
  const [side, rate] = [CLIP_SIDE[size], CLIP_RATE[size]];
  const encoder = startFrameEncoder({
    path,
    width: side,
    height: side,
    rate: { numerator: rate, denominator: 1 },
    settings: [
      ...["-vf", "scale=out_color_matrix=bt709:out_range=tv,format=yuv420p"],
      ...["-c:v", "libx264", "-preset", "veryfast", "-crf", size === "full" ? "18" : "26"],
      ...[...BT709, "-movflags", "+faststart"],
    ],
  });
  const canvas = createCanvas(side, side);
  const frames = LOOP_SECONDS * rate;
  for (let frame = 0; frame < frames; frame++) {
    drawMotif(canvas, recipe.motif, recipe.colors, recipe.seed, frame / frames);
    await encoder.write(canvas.data());
  }
  await encoder.finish();
}
