import type { HeardSamples } from "./joinedSamples";

declare const currentFrame: number;
declare const registerProcessor: (name: string, processor: new () => object) => void;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}

/** So many samples are told at once: often enough for a meter, seldom enough to cost nothing. */
const AT_ONCE = 2048;

/** Hands on every sample it hears, in the thread that hears it: nothing that the page does makes it miss one. */
class Recorder extends AudioWorkletProcessor {
  private kept = new Float32Array(AT_ONCE);
  private count = 0;
  private first = 0;

  process([input]: readonly (readonly Float32Array[])[]): boolean {
    const channel = input?.[0];
    if (!channel) return true;
    // What does not follow what is kept is told apart from it.
    if (this.count > 0 && this.first + this.count !== currentFrame) this.tell();
    if (this.count === 0) this.first = currentFrame;
    this.kept.set(channel, this.count);
    this.count += channel.length;
    if (this.count + channel.length > AT_ONCE) this.tell();
    return true;
  }

  private tell(): void {
    const samples = this.kept.slice(0, this.count);
    this.port.postMessage({ frame: this.first, samples } satisfies HeardSamples, [samples.buffer]);
    this.count = 0;
  }
}
registerProcessor("recorder", Recorder);
