import { chmod, mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { FPS_30 } from "../../core/time/frames";
import { readClip } from "../render/clipReader";
import { until } from "../testing/until";
import { startFrameEncoder } from "./frameEncoder";
import { ProgramFailed } from "./program";

/** An ffmpeg that hangs: it says by a file that it runs, reads nothing, writes nothing, and does not end. */
let folder: string;
const path = process.env["PATH"];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  const program = join(folder, "ffmpeg");
  await writeFile(program, `#!/bin/sh\necho $$ > "${folder}/pid"\nexec sleep 600\n`);
  await chmod(program, 0o755);
  process.env["PATH"] = `${folder}:${path ?? ""}`;
});
afterAll(async () => {
  process.env["PATH"] = path;
  await rm(folder, { recursive: true });
});

const SIZE = { width: 640, height: 360 };
const PATIENCE_MS = 300;

/** Whether the program that said its number last is still there. */
async function isRunning(): Promise<boolean> {
  const pid = Number(await readFile(join(folder, "pid"), "utf8"));
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

test("an encoder that takes no frame is ended, and said", async () => {
  const file = { ...SIZE, rate: FPS_30, path: join(folder, "never.mp4"), settings: [] };
  const encoder = startFrameEncoder(file, PATIENCE_MS);
  const frame = new Uint8Array(SIZE.width * SIZE.height * 4);
  await expect(encoder.write(frame)).rejects.toThrow(new ProgramFailed("The encoder took nothing for 0.3 s."));
  await until(async () => !(await isRunning()));
});

test("an encoder that does not come to its end is ended, and said", async () => {
  const encoder = startFrameEncoder(
    { ...SIZE, rate: FPS_30, path: join(folder, "never.mp4"), settings: [] },
    PATIENCE_MS,
  );
  await expect(encoder.finish()).rejects.toThrow(new ProgramFailed("The encoder did not end within 0.3 s."));
  await until(async () => !(await isRunning()));
});

test("a decoder that gives no frame is ended, and said", async () => {
  const reader = readClip({ ...SIZE, rate: FPS_30, frames: 30, path: join(folder, "clip.mp4") }, PATIENCE_MS);
  await expect(reader.frame(3)).rejects.toThrow(new ProgramFailed("The decoder gave nothing for 0.3 s."));
  await until(async () => !(await isRunning()));
});
