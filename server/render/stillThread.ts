import { writeFile } from "node:fs/promises";
import { type FormatName } from "../../core/placement/formats";
import { type Ticks } from "../../core/time/ticks";
import { frameSource } from "./frameSource";
import { preparedInput } from "./preparedInput";
import { type RenderInput } from "./renderInput";

/** A still to paint, and where its PNG goes. */
export interface StillTask {
  readonly input: RenderInput;
  readonly format: FormatName;
  readonly time: Ticks;
  readonly size: { readonly width: number; readonly height: number };
  readonly path: string;
}

/** Paints a still in a thread, so that the web server goes on answering. */
export default async function paintStill({ input, format, time, size, path }: StillTask): Promise<void> {
  const source = frameSource(await preparedInput(input, format), input, size);
  try {
    await writeFile(path, await source.pngAt(time));
  } finally {
    source.stop();
  }
}
