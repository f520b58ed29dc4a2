import { type ResolvedPromotion } from "../../core/document/resolve";
import { type Finding } from "../../core/preflight/finding";
import { findingsInSound } from "../../core/preflight/soundFindings";
import { type MeasuredMix } from "../../core/sound/measuredMix";
import { neededSamples } from "../../core/sound/mixSamples";
import { type RenderInput } from "../render/renderInput";
import { remembered } from "../remembered";
import { soundFiles } from "../render/soundFiles";
import { type SoundTask } from "../render/soundThread";
import { openThreads } from "../threads/openThreads";

/** Started when something is first listened to, and kept a while. */
const threads = openThreads<SoundTask, MeasuredMix>("server/render/soundThread.ts", {
  minThreads: 0,
  maxThreads: 1,
  idleTimeout: 60_000,
});

/** What was measured before, by what decides it: who lets something pass asks twice. */
const once = remembered<MeasuredMix>(100);

/** What is found in all that is heard of a promotion, as it would be rendered. */
export async function heardFindings(promotion: ResolvedPromotion, input: RenderInput): Promise<readonly Finding[]> {
  const { mix } = promotion;
  if (mix.track.length === 0) return [];
  const fileOf = soundFiles(input);
  const files: Record<string, string> = {};
  for (const [name, { version }] of neededSamples(mix)) files[name] = await fileOf(version);
  const measured = await once(JSON.stringify({ mix, files }), () => threads.run({ mix, files }));
  return findingsInSound({ document: input.document, promotion, measured });
}
