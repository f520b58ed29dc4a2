import sharp from "sharp";
import { ffmpeg } from "./files";

/** A frame of a video file, three bytes a pixel. */
export interface VideoFrame {
  readonly width: number;
  readonly height: number;
  readonly data: Buffer;
}

/** The frame that a video file shows at a time. */
export async function frameAt(path: string, seconds: number): Promise<VideoFrame> {
  const png = `${path}.${seconds}.png`;
  await ffmpeg("-ss", String(seconds), "-i", path, "-frames:v", "1", png);
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}
