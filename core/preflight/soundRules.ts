import { type SoundRule } from "./finding";
import { heardFromOneSpeaker, loudnessOnTarget, noSilence, peaksKept } from "./heard";

/** Everything that is listened for in all that is heard of a promotion. One entry a rule. */
export const SOUND_RULES: readonly SoundRule[] = [loudnessOnTarget, peaksKept, noSilence, heardFromOneSpeaker];
