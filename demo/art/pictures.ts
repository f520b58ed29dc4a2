import { type Canvas, createCanvas } from "@napi-rs/canvas";
import { type Ctx, boards, bokeh, fillWith, finish, hsl, linear, soft, wall, windowLight } from "./light";
import { bun, cardBox, loaf } from "./bread";
import { agave, bush, fern, leaf, seedling, spikes } from "./plants";
import { type Random, seeded } from "../../server/shelf/random";
import { type Pot, crate, planted, potBack, potFront, sack, seedPacket, wateringCan } from "./things";

/** A picture of the demo world: its file name, size in pixels, and how it is drawn. */
export interface DemoPicture {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  /** Stands free: nothing around it, kept as PNG. */
  readonly cutOut?: boolean;
  readonly draw: (ctx: Ctx, width: number, height: number, random: Random) => void;
}

const terracotta = { hue: 17, saturation: 52, lightness: 50 };

const pot = (x: number, y: number, width: number, height: number, look: Partial<Pot> = {}): Pot => ({
  x,
  y,
  width,
  height,
  ...terracotta,
  ...look,
});

/** Shadows of leaves from outside the picture, on the wall. */
function leafShadows(ctx: Ctx, width: number, height: number, random: Random): void {
  soft(ctx, width * 0.012, (ctx) => {
    ctx.globalAlpha = 0.13;
    for (let index = 0; index < 16; index++)
      leaf(ctx, width * random.between(0.55, 1.05), height * random.between(-0.02, 0.5), random.between(3.4, 4.9), {
        length: width * random.between(0.12, 0.26),
        width: width * 0.05,
        hue: 100,
        saturation: 20,
        lightness: 8,
        bend: 0.1,
        belly: 0.45,
      });
    ctx.globalAlpha = 1;
  });
}

function room(ctx: Ctx, width: number, height: number, random: Random, hue: number, table: number, light = true): void {
  wall(ctx, width, height * table + 4, hue, random);
  if (light) windowLight(ctx, width * 0.1, height * 0.1, width * 0.52);
  leafShadows(ctx, width, height, random);
  boards(ctx, width, height, height * table, 28, random);
}

/** The same corner of the shed, as it was and as it is. */
function corner(ctx: Ctx, width: number, height: number, random: Random, grown: boolean): void {
  room(ctx, width, height, seeded(77), 58, 0.7, grown);
  const places = [
    [0.2, 0.83, 380],
    [0.5, 0.9, 470],
    [0.8, 0.84, 400],
  ] as const;
  for (const [index, [x, y, size]] of places.entries()) {
    const one = pot(width * x, height * y, size, size * 0.86, index === 1 ? {} : { lightness: 46, hue: 14 });
    planted(ctx, one, random, (px, py) => {
      if (!grown) {
        if (index === 1) seedling(ctx, px, py, 170, random);
        return;
      }
      if (index === 0) fern(ctx, px, py, 620, random);
      else if (index === 1) agave(ctx, px, py, 700, random);
      else spikes(ctx, px, py, 640, random, 320);
    });
  }
}

export const PICTURES: readonly DemoPicture[] = [
  {
    name: "bench-morning.jpg",
    width: 2400,
    height: 2000,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 62, 0.72);
      planted(
        ctx,
        pot(width * 0.2, height * 0.8, 300, 270, { hue: 196, saturation: 22, lightness: 46, glazed: true }),
        random,
        (x, y) => bush(ctx, x, y, 330, random),
      );
      planted(
        ctx,
        pot(width * 0.81, height * 0.79, 280, 250, { hue: 30, saturation: 26, lightness: 64 }),
        random,
        (x, y) => spikes(ctx, x, y, 420, random),
      );
      planted(ctx, pot(width * 0.5, height * 0.87, 640, 560), random, (x, y) => agave(ctx, x, y, 800, random));
    },
  },
  {
    name: "herb-tray.jpg",
    width: 2400,
    height: 1800,
    draw(ctx, width, height, random) {
      wall(ctx, width, height * 0.66, 96, random, -14);
      bokeh(ctx, width, height * 0.8, [70, 90, 110, 48], random);
      boards(ctx, width, height, height * 0.64, 26, random, 42);
      crate(ctx, width * 0.5, height * 0.86, 1500, 420, random, () => {
        for (const [at, kind] of [
          [0.24, 0],
          [0.42, 1],
          [0.6, 2],
          [0.76, 0],
        ] as const) {
          const small = pot(width * at, height * 0.72, 270, 230);
          potBack(ctx, small);
          if (kind === 0) bush(ctx, width * at, height * 0.61, 340, random, at < 0.5 ? 92 : 108);
          if (kind === 1) spikes(ctx, width * at, height * 0.61, 520, random);
          if (kind === 2) fern(ctx, width * at, height * 0.61, 330, random, 100);
          potFront(ctx, small, random);
        }
      });
    },
  },
  {
    name: "watering-can.jpg",
    width: 2200,
    height: 2200,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 44, 0.7);
      planted(ctx, pot(width * 0.24, height * 0.82, 430, 370), random, (x, y) => fern(ctx, x, y, 560, random));
      wateringCan(ctx, width * 0.63, height * 0.87, 860, 168, random);
    },
  },
  {
    name: "pots-stacked.jpg",
    width: 2000,
    height: 2500,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 34, 0.74);
      const stack = (x: number, foot: number, size: number, count: number): void => {
        for (let index = 0; index < count; index++) {
          const one = pot(
            x + random.between(-10, 10),
            foot - index * size * 0.4,
            size * (1 - index * 0.06),
            size * 0.86 * (1 - index * 0.06),
            { lightness: 50 + random.between(-5, 6), hue: 17 + random.between(-4, 4) },
          );
          if (index === 0) potBack(ctx, one);
          potFront(ctx, one, random);
        }
      };
      stack(width * 0.27, height * 0.82, 430, 5);
      stack(width * 0.78, height * 0.84, 470, 3);
      planted(ctx, pot(width * 0.53, height * 0.91, 520, 450), random, (x, y) => agave(ctx, x, y, 640, random, 118));
    },
  },
  {
    name: "compost-sack.jpg",
    width: 2400,
    height: 1800,
    draw(ctx, width, height, random) {
      wall(ctx, width, height * 0.7, 80, random, -20);
      bokeh(ctx, width, height * 0.8, [60, 84, 104], random, 50);
      boards(ctx, width, height, height * 0.68, 24, random, 38);
      sack(ctx, width * 0.42, height * 0.9, 880, random);
      for (let crumb = 0; crumb < 260; crumb++) {
        ctx.beginPath();
        ctx.arc(
          width * 0.7 + random.between(-1, 1) * random.next() * 380,
          height * 0.9 + random.between(-1, 1) * random.next() * 70,
          random.between(4, 17),
          0,
          7,
        );
        fillWith(ctx, hsl(random.between(18, 32), 34, random.between(8, 26)));
      }
      planted(ctx, pot(width * 0.77, height * 0.87, 330, 280), random, (x, y) => seedling(ctx, x, y, 330, random));
    },
  },
  {
    name: "seed-mixes.jpg",
    width: 2400,
    height: 1800,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 52, 0.66);
      seedPacket(ctx, width * 0.24, height * 0.84, 880, 48, 338, -0.05);
      seedPacket(ctx, width * 0.46, height * 0.88, 960, 70, 262, 0.03);
      seedPacket(ctx, width * 0.68, height * 0.84, 880, 36, 22, 0.06);
      for (let index = 0; index < 5; index++) {
        const x = width * (0.8 + index * 0.042);
        planted(ctx, pot(x, height * (0.86 + 0.012 * (index % 2)), 120, 110), random, (px, py) =>
          seedling(ctx, px, py, random.between(120, 180), random),
        );
      }
    },
  },
  {
    name: "river-planter.jpg",
    width: 2000,
    height: 2500,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 20, 0.76);
      planted(
        ctx,
        pot(width * 0.5, height * 0.9, 780, 660, { hue: 204, saturation: 40, lightness: 40, glazed: true }),
        random,
        (x, y) => fern(ctx, x, y, 900, random, 112),
      );
    },
  },
  {
    name: "shop-shelves.jpg",
    width: 2600,
    height: 1700,
    draw(ctx, width, height, random) {
      wall(ctx, width, height, 38, random, -4);
      windowLight(ctx, width * 0.06, height * 0.04, width * 0.4, 0.4);
      for (const [row, foot] of [0.36, 0.66, 0.96].entries()) {
        const y = height * foot;
        ctx.beginPath();
        ctx.rect(0, y, width, height * 0.034);
        fillWith(
          ctx,
          linear(ctx, 0, y, 0, y + height * 0.034, [
            [0, "#d9ab74"],
            [0.25, "#a87545"],
            [1, "#5a3a1e"],
          ]),
        );
        soft(ctx, 22, (ctx) => {
          ctx.fillStyle = "rgba(30, 16, 6, 0.5)";
          ctx.fillRect(0, y + height * 0.034, width, 40);
        });
        for (let index = 0; index < 8; index++) {
          const size = random.between(150, 205);
          const x = width * (0.06 + index * 0.126) + random.between(-20, 20);
          const look = random.pick([
            terracotta,
            { hue: 204, saturation: 34, lightness: 42, glazed: true },
            { hue: 34, saturation: 30, lightness: 66 },
            { hue: 12, saturation: 46, lightness: 40 },
            { hue: 160, saturation: 22, lightness: 40, glazed: true },
          ]);
          planted(ctx, pot(x, y + 6, size, size * 0.84, look), random, (px, py) => {
            const kind = (index + row * 3) % 4;
            if (kind === 0) agave(ctx, px, py, size * 1.15, random, 120 + random.between(-16, 20));
            else if (kind === 1) bush(ctx, px, py, size * 1.1, random, 90 + random.between(0, 24));
            else if (kind === 2) fern(ctx, px, py, size * 1.05, random, 100 + random.between(-10, 16));
            else spikes(ctx, px, py, size * 1.3, random, random.pick([262, 330, 40]));
          });
        }
      }
    },
  },
  {
    name: "rye-loaf.jpg",
    width: 2400,
    height: 1800,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 34, 0.62);
      loaf(ctx, width * 0.74, height * 0.74, 820, random, 22, 30);
      loaf(ctx, width * 0.46, height * 0.88, 1280, random);
    },
  },
  {
    name: "sesame-buns.jpg",
    width: 2200,
    height: 2200,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 44, 0.58, false);
      bokeh(ctx, width, height * 0.56, [38, 46, 24], random, 36);
      for (const [x, y, size] of [
        [0.3, 0.7, 620],
        [0.72, 0.69, 640],
        [0.52, 0.78, 680],
        [0.24, 0.9, 720],
        [0.78, 0.91, 730],
      ] as const)
        bun(ctx, width * x, height * y, size, random, 28 + random.between(-3, 4), 46 + random.between(-4, 3));
    },
  },
  {
    name: "friday-box.jpg",
    width: 2000,
    height: 2500,
    draw(ctx, width, height, random) {
      room(ctx, width, height, random, 26, 0.7);
      cardBox(ctx, width * 0.5, height * 0.9, 1240, 760, 350, () => {
        loaf(ctx, width * 0.4, height * 0.64, 760, random);
        loaf(ctx, width * 0.64, height * 0.65, 600, random, 22, 32);
        for (const x of [0.32, 0.5, 0.68]) bun(ctx, width * x, height * 0.68, 360, random);
      });
    },
  },
  {
    name: "corner-in-march.jpg",
    width: 2200,
    height: 1900,
    draw: (ctx, width, height, random) => corner(ctx, width, height, random, false),
  },
  {
    name: "corner-in-june.jpg",
    width: 2200,
    height: 1900,
    draw: (ctx, width, height, random) => corner(ctx, width, height, random, true),
  },
  {
    name: "pot-cut-out.png",
    width: 2200,
    height: 2000,
    cutOut: true,
    draw: (ctx, width, height, random) =>
      planted(ctx, pot(width * 0.42, height * 0.88, 720, 640), random, (x, y) => agave(ctx, x, y, 860, random)),
  },
  {
    name: "loaf-cut-out.png",
    width: 2300,
    height: 1400,
    cutOut: true,
    draw: (ctx, width, height, random) => loaf(ctx, width * 0.42, height * 0.76, 1320, random),
  },
  {
    name: "bread-morning.jpg",
    width: 2400,
    height: 1800,
    draw(ctx, width, height, random) {
      wall(ctx, width, height * 0.66, 28, random, -18);
      bokeh(ctx, width, height * 0.8, [34, 24, 44], random, 54);
      boards(ctx, width, height, height * 0.62, 24, random, 40);
      loaf(ctx, width * 0.27, height * 0.76, 760, random, 20, 30);
      loaf(ctx, width * 0.7, height * 0.74, 820, random, 24, 34);
      for (const [x, y, size] of [
        [0.2, 0.92, 500],
        [0.42, 0.94, 540],
        [0.62, 0.9, 520],
        [0.83, 0.94, 520],
      ] as const)
        bun(ctx, width * x, height * y, size, random, 30 + random.between(-4, 4), 47);
    },
  },
];

/** Draws a picture of the demo world, the same for the same seed. */
export function drawPicture(picture: DemoPicture, seed: number): Canvas {
  const canvas = createCanvas(picture.width, picture.height);
  const ctx = canvas.getContext("2d");
  picture.draw(ctx, picture.width, picture.height, seeded(seed));
  if (!picture.cutOut) finish(ctx, picture.width, picture.height);
  return canvas;
}
