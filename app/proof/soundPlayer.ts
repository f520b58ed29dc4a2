import { type MixPlan, levelAt } from "../../core/sound/mixPlan";

/** Plays the bed of a promotion from any time, with the level the render will have. */
export interface SoundPlayer {
  play(time: number): void;
  hold(): void;
  close(): void;
}

const STEP_MS = 50;

/** @param address where the tune is @param plan its gain and fades */
export function openSoundPlayer(address: string, plan: MixPlan): SoundPlayer {
  const context = new AudioContext();
  const level = context.createGain();
  level.connect(context.destination);
  const buffer = fetch(address).then(async (response) => context.decodeAudioData(await response.arrayBuffer()));
  let source: AudioBufferSourceNode | null = null;
  let turn = 0;

  function hold(): void {
    turn++;
    source?.stop();
    source = null;
  }

  async function start(time: number): Promise<void> {
    hold();
    const mine = ++turn;
    await context.resume();
    const asked = context.currentTime;
    const decoded = await buffer.catch(() => null);
    if (!decoded || mine !== turn) return;
    const from = time / 1000 + (context.currentTime - asked);
    if (from >= decoded.duration) return;
    source = context.createBufferSource();
    source.buffer = decoded;
    source.connect(level);
    level.gain.cancelScheduledValues(0);
    const points = Math.max(2, Math.ceil((plan.length - from * 1000) / STEP_MS));
    const curve = Float32Array.from({ length: points }, (_, index) =>
      levelAt(plan, from * 1000 + (index / (points - 1)) * (plan.length - from * 1000)),
    );
    level.gain.setValueCurveAtTime(curve, context.currentTime, Math.max(0.05, plan.length / 1000 - from));
    source.start(0, from);
  }

  return {
    play: (time) => void start(time),
    hold,
    close() {
      hold();
      void context.close();
    },
  };
}
