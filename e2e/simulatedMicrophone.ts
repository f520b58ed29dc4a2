import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { wavBytes } from "../core/sound/wavBytes";
import { RATE } from "./samples";
import { withDevices } from "./simulatedDevices";

/**
 * How Chromium is started with a microphone that hears one tone. The file must be longer than the test takes: where Chromium
 * begins it again, it puts a few samples in.
 *
 * @param seconds how long the file is
 */
export function withMicrophone(frequency: number, seconds: number) {
  const path = join(mkdtempSync(join(tmpdir(), "stencilcraft-microphone-")), "voice.wav");
  const wave = Float32Array.from(
    { length: seconds * RATE },
    (_, at) => 0.4 * Math.sin((2 * Math.PI * frequency * at) / RATE),
  );
  writeFileSync(path, wavBytes([wave], RATE));
  return withDevices("--autoplay-policy=no-user-gesture-required", `--use-file-for-fake-audio-capture=${path}`);
}
