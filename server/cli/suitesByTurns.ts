import { drawn } from "../../core/testing/sample";

/** Every third of the long ones is run each time; three seeds in a row run each of them once. */
const TURNS = 3;

/**
 * Unit tests that render, measure or speak for ten seconds and more, the longest first. They hold what changes seldom, and
 * `bin/test --full` runs all of them.
 */
export const LONG_SUITES: readonly string[] = [
  "server/render/packFile.test.ts",
  "server/shelf/sounds.test.ts",
  "demo/wordsKeepOff.test.ts",
  "server/render/joints.test.ts",
  "server/media/soundSamples.test.ts",
  "server/media/treatedSamples.test.ts",
  "paint/joins.test.ts",
  "server/retention/tidyUp.test.ts",
  "core/preflight/soundRules.test.ts",
  "server/render/sharedPainter.test.ts",
  "server/media/clipKinds.test.ts",
  "demo/channels/channelService.test.ts",
  "server/render/finish.test.ts",
  "server/render/slowStorage.test.ts",
  "paint/legibility.test.ts",
  "server/render/soundFile.test.ts",
  "server/voice/speech.test.ts",
  "server/media/clipSubject.test.ts",
  "server/render/grading.test.ts",
  "server/render/storyboard.test.ts",
  "core/sound/beats.test.ts",
];

/** Of the long suites those that wait for another seed. */
export function waitingSuites(seed: number): readonly string[] {
  const running = drawn(LONG_SUITES, Math.ceil(LONG_SUITES.length / TURNS), seed);
  return LONG_SUITES.filter((file) => !running.includes(file));
}
