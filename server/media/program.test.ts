import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import { FPS_30 } from "../../core/time/frames";
import { probedFrames } from "../testing/probedFrames";
import { until } from "../testing/until";
import { startFrameEncoder } from "./frameEncoder";
import { ProgramFailed, runProgram } from "./program";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true }));

/** Arguments of a run of an hour, in real time, that can be told by its mark. */
const endless = (mark: string): string[] => [
  ...["-v", "error", "-nostdin", "-re", "-f", "lavfi", "-i", "color=c=red:s=16x16:r=10:d=3600"],
  ...["-metadata", `comment=${mark}`, "-f", "null", "-"],
];
const isRunning = async (mark: string): Promise<boolean> => (await execa("ps", ["-eo", "args="])).stdout.includes(mark);

describe("a program", () => {
  test("gives what it printed, and its lines as they come", async () => {
    const lines: string[] = [];
    const args = [
      "-v",
      "error",
      "-f",
      "lavfi",
      "-i",
      "color=s=16x16:d=1:r=5",
      "-show_entries",
      "stream=width",
      "-of",
      "csv",
    ];
    const { stdout } = await runProgram("ffprobe", args, { timeLimitMs: 20_000, onLine: (line) => lines.push(line) });
    expect(stdout.trim()).toBe("stream,16");
    expect(lines).toEqual(["stream,16"]);
  });

  test("that fails is named, with how it ended and the end of what it complained of", async () => {
    const failing = runProgram("ffprobe", ["-v", "error", join(folder, "no-such-file")], { timeLimitMs: 20_000 });
    await expect(failing).rejects.toThrow(ProgramFailed);
    await expect(failing).rejects.toThrow(/^ffprobe ended with 1: .*no-such-file: No such file or directory/);
  });

  test("that takes too long is stopped, and so said", async () => {
    await expect(runProgram("ffmpeg", endless("slow-one"), { timeLimitMs: 700 })).rejects.toThrow(
      "ffmpeg was stopped after 1 s",
    );
    expect(await isRunning("comment=slow-one")).toBe(false);
  });

  test("is stopped by its signal", async () => {
    const stop = new AbortController();
    const running = runProgram("ffmpeg", endless("signalled-one"), { timeLimitMs: 60_000, signal: stop.signal });
    await until(() => isRunning("comment=signalled-one"));
    stop.abort();
    await expect(running).rejects.toThrow("was stopped");
    expect(await isRunning("comment=signalled-one")).toBe(false);
  });
});

describe("an encoder of frames", () => {
  const size = { width: 32, height: 18, rate: FPS_30 };
  const settings = ["-c:v", "libx264", "-pix_fmt", "yuv420p"];
  const frame = new Uint8Array(size.width * size.height * 4).fill(200);

  test("makes a file of just the frames it was given", async () => {
    const path = join(folder, "nine.mp4");
    const encoder = startFrameEncoder({ ...size, path, settings });
    for (let index = 0; index < 9; index++) await encoder.write(frame);
    await encoder.finish();
    expect(await probedFrames(path)).toBe(9);
  });

  test("that can't write its file says why, whether it was given much or little", async () => {
    for (const frames of [1, 4000]) {
      const encoder = startFrameEncoder({ ...size, path: join(folder, "nowhere", "x.mp4"), settings });
      const writing = (async () => {
        for (let index = 0; index < frames; index++) await encoder.write(frame);
        await encoder.finish();
      })();
      await expect(writing).rejects.toThrow(/The encoder ended with 1: .*No such file or directory/);
    }
  });

  test("that is stopped leaves no program behind", async () => {
    const path = join(folder, "stopped.mp4");
    const encoder = startFrameEncoder({ ...size, path, settings });
    await encoder.write(frame);
    encoder.stop();
    await expect(encoder.finish()).rejects.toThrow(ProgramFailed);
    expect(await isRunning(path)).toBe(false);
  });
});
