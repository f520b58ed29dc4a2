import { type Random } from "./random";
import { bell } from "./instruments";
import { SAMPLE_RATE, type Stereo, bass, pad, pluck, room, silence, tap } from "./synth";

/** Short sounds to put under a moment: each gives its samples, the same for the same seed. */
export const EFFECTS = {
  ...{ tick, pop, whoosh, chime, page, drop, rise, thud, shimmer, knock },
  ...{ coin, shopBell, shutter, applause, bubbles, fall, gong, typing, countdown, tear },
} as const;
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
function coin(random: Random): Stereo {
  const track = silence(1.4);
  [91, 98].forEach((note, index) =>
    bell(track, { start: 0.01 + index * 0.085, note, seconds: 1.1, gain: 0.5, pan: index * 0.3 }),
  );
  tap(track, 0.01, 0.98, 0.3, 0, random);
  return room(track);
}
function shopBell(): Stereo {
  const track = silence(2.6);
  // It swings: struck again and again, softer each time.
  for (let stroke = 0; stroke < 7; stroke++)
    bell(track, {
      ...{ start: 0.02 + stroke * 0.14, note: stroke % 2 === 0 ? 93 : 94, seconds: 1.5 },
      ...{ gain: 0.5 * 0.72 ** stroke, pan: stroke % 2 === 0 ? -0.2 : 0.2 },
    });
  return room(track);
}
function shutter(random: Random): Stereo {
  const track = silence(0.5);
  tap(track, 0.01, 0.9, 0.7, -0.1, random);
  tap(track, 0.05, 0.55, 0.5, 0.1, random);
  tap(track, 0.14, 0.8, 0.8, 0, random);
  return track;
}
function applause(random: Random): Stereo {
  const track = silence(4);
  for (let hand = 0; hand < 260; hand++) {
    const start = random.between(0, 3.6);
    // It swells within half a second and dies away from the third on.
    const gain = 0.22 * Math.min(1, (start + 0.1) * 2, Math.max(0.05, 3.8 - start));
    tap(track, start, random.between(0.55, 0.8), gain, random.between(-0.9, 0.9), random);
  }
  return room(track);
}
function bubbles(random: Random): Stereo {
  const track = silence(1.6);
  for (let bubble = 0; bubble < 14; bubble++) {
    const [start, low, pan] = [random.between(0, 1.2), random.between(380, 900), random.between(-0.6, 0.6)];
    const blown = voice(
      0.16,
      (time) => 0.3 * Math.sin(TURN * (low + 2600 * time) * time) * Math.sin(Math.PI * Math.min(1, time / 0.16)),
      () => pan,
    );
    lay(track, blown, start);
  }
  return room(track);
}
function fall(random: Random): Stereo {
  const air = noise(random, (time) => 0.17 - 0.08 * time);
  return voice(
    1.6,
    (time) =>
      0.5 *
      Math.exp(-time * 1.6) *
      (Math.sin(TURN * (520 * time - 145 * time ** 2)) + 1.2 * air(time)) *
      Math.min(1, time * 60, (1.6 - time) * 30),
    (time) => 0.6 - time * 0.75,
  );
}
function gong(random: Random): Stereo {
  const track = silence(4.5);
  for (const [note, gain] of [
    [38, 0.5],
    [45.4, 0.32],
    [51.7, 0.24],
    [58.3, 0.14],
  ] as const)
    bell(track, { start: 0.01, note, seconds: 4.2, gain, pan: random.between(-0.3, 0.3) });
  pad(track, 0, 38, 4, 0.12, 0);
  return room(track);
}
function typing(random: Random): Stereo {
  const track = silence(1.9);
  for (let key = 0, start = 0.02; key < 12; key++, start += random.between(0.07, 0.19))
    tap(track, start, random.between(0.72, 0.92), random.between(0.35, 0.6), random.between(-0.4, 0.4), random);
  return room(track);
}
function countdown(): Stereo {
  const track = silence(3.9);
  // Three short ones a second apart, and the one that counts.
  for (let beep = 0; beep < 4; beep++) {
    const [hertz, seconds] = beep < 3 ? [660, 0.14] : [1320, 0.6];
    const one = voice(
      seconds,
      (time) => 0.5 * Math.sin(TURN * hertz * time) * Math.min(1, time * 200, (seconds - time) * 60),
    );
    lay(track, one, beep);
  }
  return track;
}
function tear(random: Random): Stereo {
  const fibres = noise(random, (time) => 0.5 + 0.4 * time);
  return voice(
    0.9,
    (time) =>
      fibres(time) *
      (0.35 + 0.65 * Math.abs(Math.sin(time * 95 + 4 * time ** 2))) *
      Math.min(1, time * 9, (0.9 - time) * 14),
    (time) => time * 1.6 - 0.7,
  );
}

/** Lays a sound over a track from a time on, in seconds. */
function lay(track: Stereo, sound: Stereo, start: number): void {
  const begin = Math.round(start * SAMPLE_RATE);
  for (const side of ["left", "right"] as const)
    sound[side].forEach((sample, index) => {
      const at = begin + index;
      if (at < track[side].length) track[side][at] = (track[side][at] ?? 0) + sample;
    });
}
