import recorderUrl from "./recorderWorklet?worker&url";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { type HeardSamples, type Recorded, joinedSamples } from "./joinedSamples";

/** A microphone that is listened to, sample by sample. */
export interface Microphone {
  /** What it is, as the browser knows it. */
  readonly device: string;
  /** How high the last it heard was, 0 to 1. */
  level(): number;
  /** Keeps what is heard from now on. */
  start(): void;
  /** What was heard since it was started. */
  stop(): Recorded;
  close(): void;
}

/** A microphone that can be chosen. */
export interface Input {
  readonly id: string;
  readonly name: string;
}

/** The microphones there are: what they are called is known once one was allowed. */
export async function inputs(): Promise<Input[]> {
  const devices = await navigator.mediaDevices.enumerateDevices();
  return devices
    .filter(({ kind }) => kind === "audioinput")
    .map(({ deviceId, label }, at) => ({ id: deviceId, name: label || `Microphone ${at + 1}` }));
}

/**
 * Opens a microphone as it is: a voice that is recorded to stay is not worked on by the browser.
 *
 * @param device by its id; null for the usual one
 */
export async function openMicrophone(device: string | null): Promise<Microphone> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: {
      ...(device ? { deviceId: { exact: device } } : {}),
      ...{ echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
    },
  });
  const context = new AudioContext({ sampleRate: SAMPLE_RATE });
  const source = context.createMediaStreamSource(stream);
  await context.audioWorklet.addModule(recorderUrl);
  const recorder = new AudioWorkletNode(context, "recorder", { numberOfOutputs: 0, channelCount: 1 });
  let heard: HeardSamples[] = [];
  let since: number | null = null;
  let level = 0;
  recorder.port.onmessage = ({ data }: MessageEvent<HeardSamples>) => {
    level = data.samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
    if (since !== null) heard.push(data);
  };
  source.connect(recorder);
  await context.resume();
  return {
    device: stream.getAudioTracks()[0]?.getSettings().deviceId ?? "",
    level: () => level,
    start() {
      heard = [];
      since = Math.round(context.currentTime * SAMPLE_RATE);
    },
    stop() {
      const recorded = joinedSamples(heard, since ?? 0);
      since = null;
      heard = [];
      return recorded;
    },
    close() {
      stream.getTracks().forEach((track) => track.stop());
      void context.close();
    },
  };
}
