import { type Canvas, createCanvas } from "@napi-rs/canvas";
import { type Ctx, boards, bokeh, fillWith, finish, soft, wall, windowLight } from "./light";
import { agave, bush, fern, spikes } from "./plants";
import { type Random, seeded } from "../../server/shelf/random";
import { type Pot, planted, potBack, potFront, potMouth, wateringCan } from "./things";

/** A clip of the demo world. What holds still is drawn once; `draw` adds what moves at a time from 0 to 1. */
export interface DemoClip {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly frames: number;
  readonly still: (ctx: Ctx, width: number, height: number, random: Random) => void;
  readonly draw: (ctx: Ctx, time: number, width: number, height: number) => void;
}

const WIDTH = 1280;
const HEIGHT = 1080;
export const CLIP_RATE = 30;
const FRAMES = 135;
/** Where they are kept once drawn, from the project's root. */
export const CLIPS_FOLDER = "demo/clips";

const wave = (time: number, turns: number, phase = 0): number => Math.sin(time * turns * Math.PI * 2 + phase);
const bigPot: Pot = {
  x: WIDTH * 0.5,
  y: HEIGHT * 0.88,
  width: 400,
  height: 340,
  hue: 17,
  saturation: 52,
  lightness: 50,
};
const bluePot: Pot = {
  x: WIDTH * 0.5,
  y: HEIGHT * 0.9,
  width: 440,
  height: 360,
  hue: 204,
  saturation: 40,
  lightness: 40,
  glazed: true,
};
const herbPot: Pot = {
  x: WIDTH * 0.4,
  y: HEIGHT * 0.9,
  width: 330,
  height: 270,
  hue: 17,
  saturation: 52,
  lightness: 50,
};

export const CLIPS: readonly DemoClip[] = [
  {
    // The camera passes by: near and far move at different speeds.
    name: "pot-passing.mp4",
    width: WIDTH,
    height: HEIGHT,
    frames: FRAMES,
    still(ctx, width, height, random) {
      wall(ctx, width, height * 0.72, 60, random);
      windowLight(ctx, width * 0.12, height * 0.08, width * 0.5);
      boards(ctx, width, height, height * 0.7, 28, random);
    },
    draw(ctx, time, width, height) {
      const pass = (time - 0.5) * 2;
      const random = seeded(41);
      planted(
        ctx,
        { ...herbPot, x: width * 0.16 - pass * 26, y: height * 0.79, width: 170, height: 150 },
        random,
        (x, y) => spikes(ctx, x, y, 250, random, 262, 0.03 * wave(time, 1)),
      );
      planted(
        ctx,
        { ...bluePot, x: width * 0.83 - pass * 26, y: height * 0.79, width: 180, height: 155 },
        random,
        (x, y) => bush(ctx, x, y, 200, random, 98, 0.02 * wave(time, 1, 1)),
      );
      planted(ctx, { ...bigPot, x: bigPot.x - pass * 95 }, random, (x, y) =>
        agave(ctx, x, y, 560, random, 128, 0.02 * wave(time, 1.5) - pass * 0.03),
      );
    },
  },
  {
    name: "fern-in-the-breeze.mp4",
    width: WIDTH,
    height: HEIGHT,
    frames: FRAMES,
    still(ctx, width, height, random) {
      wall(ctx, width, height * 0.7, 96, random, -16);
      bokeh(ctx, width, height * 0.85, [60, 84, 104, 48], random);
      boards(ctx, width, height, height * 0.7, 26, random, 42);
      potBack(ctx, bluePot);
    },
    draw(ctx, time, width, height) {
      const mouth = potMouth(bluePot);
      fern(ctx, mouth.x, mouth.y + 10, 520, seeded(42), 108, 0.1 * wave(time, 2) + 0.05 * wave(time, 3, 1));
      potFront(ctx, bluePot, seeded(43));
      soft(ctx, 46, (ctx) => {
        ctx.beginPath();
        ctx.ellipse(width * (0.1 + 0.8 * time), height * 0.3, width * 0.24, height * 0.6, 0.5, 0, 7);
        fillWith(ctx, "rgba(255, 240, 190, 0.2)");
      });
    },
  },
  {
    name: "watering-herbs.mp4",
    width: WIDTH,
    height: HEIGHT,
    frames: FRAMES,
    still(ctx, width, height, random) {
      wall(ctx, width, height * 0.74, 46, random);
      windowLight(ctx, width * 0.05, height * 0.06, width * 0.46);
      boards(ctx, width, height, height * 0.72, 28, random);
      potBack(ctx, herbPot);
    },
    draw(ctx, time, width, height) {
      const mouth = potMouth(herbPot);
      bush(ctx, mouth.x, mouth.y + 14, 400, seeded(44), 98, 0.03 * wave(time, 2) + 0.015 * wave(time, 7));
      potFront(ctx, herbPot, seeded(45));
      const random = seeded(46);
      const tilt = -0.42 + 0.03 * wave(time, 1);
      const can = { x: width * 0.78, y: height * 0.35 + 8 * wave(time, 1, 1) };
      wateringCan(ctx, can.x, can.y, 420, 168, random, tilt);
      const rose = {
        x: can.x - 420 * (0.94 * Math.cos(tilt) + 0.73 * Math.sin(-tilt)) + 40,
        y: can.y - 420 * (0.73 * Math.cos(tilt) - 0.94 * Math.sin(-tilt)) + 6,
      };
      ctx.lineCap = "round";
      for (let drop = 0; drop < 90; drop++) {
        const start = random.next();
        const aside = random.between(-0.5, 0.5);
        const fall = (time * 9 + start) % 1;
        const x = rose.x - fall * (60 + aside * 120) + aside * 60;
        const y = rose.y + fall * fall * height * 0.22 + fall * 90;
        ctx.beginPath();
        ctx.moveTo(x, y);
        ctx.lineTo(x - 3 - aside * 5, y + 12 + fall * 22);
        ctx.lineWidth = 2.2 + random.next() * 1.6;
        ctx.strokeStyle = `rgba(236, 248, 255, ${0.75 - fall * 0.4})`;
        ctx.stroke();
      }
    },
  },
];

/** Paints a clip's frames one after another on one canvas. */
export function clipPainter(clip: DemoClip): (frame: number) => Canvas {
  const ground = createCanvas(clip.width, clip.height);
  clip.still(ground.getContext("2d"), clip.width, clip.height, seeded(1000 + CLIPS.indexOf(clip)));
  finish(ground.getContext("2d"), clip.width, clip.height);
  const canvas = createCanvas(clip.width, clip.height);
  const ctx = canvas.getContext("2d");
  return (frame) => {
    ctx.drawImage(ground, 0, 0);
    clip.draw(ctx, frame / clip.frames, clip.width, clip.height);
    return canvas;
  };
}
