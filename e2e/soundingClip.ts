import { join } from "node:path";
import { ffmpeg } from "./files";
import { RATE } from "./samples";

/** A tone for each second, in hertz, of the clip that tests make: it is red, then blue, then lime meanwhile. */
export const SECONDS = [500, 1000, 2000] as const;
/** How high the tones are, of full scale. */
export const HEIGHT = 0.25;

/** A clip of three seconds that says by colour and tone which of them is shown and heard. */
export async function soundingClip(folder: string): Promise<string> {
  const path = join(folder, "own-clip.mp4");
  const colors = ["red", "blue", "lime"].flatMap((color) => [
    "-f",
    "lavfi",
    "-i",
    `color=c=${color}:s=1280x720:r=30:d=1`,
  ]);
  const tones = SECONDS.flatMap((hertz) => [
    "-f",
    "lavfi",
    "-i",
    `aevalsrc=${HEIGHT}*sin(2*PI*${hertz}*t)|${HEIGHT}*sin(2*PI*${hertz}*t):d=1:s=${RATE}`,
  ]);
  const joined = "[0:v][3:a][1:v][4:a][2:v][5:a]concat=n=3:v=1:a=1[v][a]";
  const coded = ["-c:v", "libx264", "-preset", "ultrafast", "-pix_fmt", "yuv420p", "-c:a", "aac", "-b:a", "256k"];
  await ffmpeg(...colors, ...tones, "-filter_complex", joined, "-map", "[v]", "-map", "[a]", ...coded, path);
  return path;
}
