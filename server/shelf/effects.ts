import { type Random } from "./random";
import { SAMPLE_RATE, type Stereo, bass, pad, pluck, room, silence, tap } from "./synth";

/** Short sounds to put under a moment: each gives its samples, the same for the same seed. */
export const EFFECTS = { tick, pop, whoosh, chime, page, drop, rise, thud, shimmer, knock } as const;
export type EffectName = keyof typeof EFFECTS;

/** Writes a wave into both channels: `wave` gives a sample at a time in seconds. */
function voice(seconds: number, wave: (time: number) => number, pan: (time: number) => number = () => 0): Stereo {
  const track = silence(seconds);
  for (let at = 0; at < track.left.length; at++) {
    const time = at / SAMPLE_RATE;
    const sample = wave(time);
    const side = pan(time);
    track.left[at] = sample * Math.cos(((side + 1) * Math.PI) / 4);
    track.right[at] = sample * Math.sin(((side + 1) * Math.PI) / 4);
  }
  return track;
}

const TURN = Math.PI * 2;

/** Noise through a one-pole filter whose openness, 0 to 1, may change. */
function noise(random: Random, open: (time: number) => number): (time: number) => number {
  let held = 0;
  return (time) => (held += open(time) * (random.between(-1, 1) - held));
}

function tick(random: Random): Stereo {
  const track = silence(0.35);
  tap(track, 0.01, 0.95, 0.8, 0, random);
  return room(track);
}
function pop(): Stereo {
  return room(voice(0.4, (time) => Math.sin(TURN * (220 + 700 * Math.exp(-time * 30)) * time) * Math.exp(-time * 22)));
}
function whoosh(random: Random): Stereo {
  const hiss = noise(random, (time) => 0.02 + 0.3 * Math.sin(Math.PI * Math.min(1, time / 0.9)) ** 2);
  return voice(
    1,
    (time) => hiss(time) * Math.sin(Math.PI * Math.min(1, time)) ** 1.5,
    (time) => time * 2 - 1,
  );
}
function chime(random: Random): Stereo {
  const track = silence(2.4);
  [76, 79, 84, 88].forEach((note, index) => pluck(track, index * 0.09, note, 2, 0.5, index * 0.3 - 0.45, random));
  return room(track);
}
function page(random: Random): Stereo {
  const rustle = noise(random, (time) => 0.25 + 0.5 * Math.abs(Math.sin(time * 40)));
  return voice(
    0.6,
    (time) => rustle(time) * (Math.exp(-((time - 0.12) ** 2) / 0.004) + 0.6 * Math.exp(-((time - 0.34) ** 2) / 0.008)),
    (time) => 0.6 - time * 2,
  );
}
function drop(): Stereo {
  return room(
    voice(
      0.7,
      (time) => Math.sin(TURN * (420 + 900 * time ** 0.5) * time) * Math.exp(-time * 13) * Math.min(1, time * 400),
    ),
  );
}
function rise(random: Random): Stereo {
  const air = noise(random, (time) => 0.01 + 0.16 * (time / 2));
  return voice(
    2,
    (time) =>
      0.5 *
      (time / 2) ** 2 *
      (Math.sin(TURN * (110 * time + 55 * time ** 2)) + 1.4 * air(time)) *
      Math.min(1, (2 - time) * 30),
  );
}
function thud(): Stereo {
  return room(
    voice(
      0.9,
      (time) =>
        Math.sin(TURN * (48 * time + 6 * (1 - Math.exp(-time * 16)))) * Math.exp(-time * 6.5) * Math.min(1, time * 300),
    ),
  );
}
function shimmer(random: Random): Stereo {
  const track = silence(3);
  for (let index = 0; index < 16; index++)
    pluck(track, index * 0.075, random.pick([84, 86, 88, 91, 93, 96]), 1.6, 0.3, random.between(-0.8, 0.8), random);
  for (const note of [60, 67, 72]) pad(track, 0, note, 2.8, 0.04, 0);
  return room(track);
}
function knock(random: Random): Stereo {
  const track = silence(0.9);
  for (const start of [0.02, 0.2]) {
    tap(track, start, 0.12, 0.9, 0, random);
    bass(track, start, 38, 0.14, 0.25);
  }
  return room(track);
}
