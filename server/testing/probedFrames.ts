import { execa } from "execa";

/** How many frames of picture a file holds, counted by decoding it. */
export async function probedFrames(path: string): Promise<number> {
  const count = ["-count_frames", "-select_streams", "v", "-show_entries", "stream=nb_read_frames", "-of", "csv=p=0"];
  const { stdout } = await execa("ffprobe", ["-v", "error", ...count, path]);
  return Number(stdout);
}
