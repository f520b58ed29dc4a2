import { keysOf } from "../../core/records";
import { type SKRSContext2D, createCanvas } from "@napi-rs/canvas";
import { toHex } from "../../core/color/srgb";
import { fromOklch, toOklch } from "../../core/color/oklch";
import { parseHex, withAlpha } from "../../core/color/srgb";
import { type Random } from "./random";

/** Colours a motif is drawn in, light ground first. */
export interface MotifColors {
  readonly ground: string;
  readonly deep: string;
  readonly main: string;
  readonly accent: string;
}

/**
 * Draws a pattern or scene over a whole canvas. `phase` goes from 0 to 1 through one loop of its movement; 0 and 1 look the
 * same. The same numbers from `random` are asked for in every frame of a loop.
 */
export type Motif = (
  ctx: SKRSContext2D,
  width: number,
  height: number,
  colors: MotifColors,
  random: Random,
  phase: number,
) => void;

const TURN = Math.PI * 2;

/** A colour made lighter (towards 1) or darker (towards −1), in OKLCH. */
function shade(hex: string, by: number): string {
  const { l, c, h } = toOklch(parseHex(hex));
  return toHex(fromOklch({ l: Math.min(0.98, Math.max(0.08, l + by)), c, h }));
}

function washed(ctx: SKRSContext2D, width: number, height: number, from: string, to: string, turn = 0.6): void {
  const wash = ctx.createLinearGradient(0, 0, width * Math.cos(turn), height * Math.sin(turn));
  wash.addColorStop(0, from);
  wash.addColorStop(1, to);
  ctx.fillStyle = wash;
  ctx.fillRect(0, 0, width, height);
}

/** Everything in `draw`, softened: drawn small, blurred there, and enlarged. */
function softly(
  ctx: SKRSContext2D,
  width: number,
  height: number,
  radius: number,
  draw: (ctx: SKRSContext2D) => void,
): void {
  const by = Math.max(1, radius / 4);
  const small = createCanvas(Math.ceil(width / by), Math.ceil(height / by));
  const inner = small.getContext("2d");
  inner.scale(1 / by, 1 / by);
  draw(inner);
  ctx.save();
  ctx.filter = `blur(${radius / 2}px)`;
  ctx.drawImage(small, 0, 0, width, height);
  ctx.restore();
}

/** Fine grain, so that wide gradients do not band. */
function grain(ctx: SKRSContext2D, width: number, height: number, strength: number, random: Random): void {
  const tile = createCanvas(128, 128);
  const inner = tile.getContext("2d");
  const noise = inner.createImageData(128, 128);
  for (let at = 0; at < noise.data.length; at += 4) {
    const value = random.next() < 0.5 ? 0 : 255;
    noise.data.set([value, value, value, Math.round(random.next() * 255 * strength)], at);
  }
  inner.putImageData(noise, 0, 0);
  ctx.save();
  ctx.globalCompositeOperation = "overlay";
  ctx.fillStyle = ctx.createPattern(tile, "repeat") ?? "transparent";
  ctx.fillRect(0, 0, width, height);
  ctx.restore();
}

function blob(ctx: SKRSContext2D, x: number, y: number, radius: number, color: string, alpha: number): void {
  const glow = ctx.createRadialGradient(x, y, 0, x, y, radius);
  glow.addColorStop(0, withAlpha(color, alpha));
  glow.addColorStop(1, withAlpha(color, 0));
  ctx.fillStyle = glow;
  ctx.fillRect(x - radius, y - radius, radius * 2, radius * 2);
}

function leafShape(ctx: SKRSContext2D, length: number, width: number): void {
  ctx.beginPath();
  ctx.moveTo(0, 0);
  ctx.bezierCurveTo(width, -length * 0.25, width * 0.8, -length * 0.8, 0, -length);
  ctx.bezierCurveTo(-width * 0.8, -length * 0.8, -width, -length * 0.25, 0, 0);
  ctx.fill();
}

const glow: Motif = (ctx, width, height, { ground, main, accent, deep }, random, phase) => {
  washed(ctx, width, height, shade(ground, 0.03), shade(main, 0.12));
  const size = Math.max(width, height);
  for (const [color, alpha] of [
    [main, 0.75],
    [accent, 0.6],
    [deep, 0.55],
    [shade(accent, 0.15), 0.5],
    [ground, 0.8],
  ] as const) {
    const [x, y, orbit, start] = [random.next(), random.next(), random.between(0.04, 0.1), random.next()];
    blob(
      ctx,
      width * (x + orbit * Math.cos(TURN * (phase + start))),
      height * (y + orbit * Math.sin(TURN * (phase + start))),
      size * random.between(0.35, 0.6),
      color,
      alpha,
    );
  }
  grain(ctx, width, height, 0.05, random);
};

const waves: Motif = (ctx, width, height, { ground, main, deep, accent }, random, phase) => {
  washed(ctx, width, height, shade(ground, 0.04), shade(ground, -0.06), Math.PI / 2);
  const layers = 7;
  for (let layer = 0; layer < layers; layer++) {
    const at = layer / (layers - 1);
    const [long, start, turns] = [random.between(0.7, 1.5), random.next() * TURN, layer % 2 === 0 ? 1 : -1];
    const level = height * (0.3 + 0.66 * at);
    const swell = height * (0.02 + 0.045 * at);
    ctx.beginPath();
    ctx.moveTo(0, height);
    for (let x = 0; x <= width + 8; x += 8)
      ctx.lineTo(
        x,
        level +
          swell * Math.sin((x / width) * TURN * long + start + turns * TURN * phase) +
          swell * 0.5 * Math.sin((x / width) * TURN * long * 2.1 + start * 2 + TURN * phase),
      );
    ctx.lineTo(width, height);
    ctx.closePath();
    const top = layer === 2 ? accent : shade(main, 0.22 - 0.34 * at);
    const fill = ctx.createLinearGradient(0, level - swell, 0, height);
    fill.addColorStop(0, top);
    fill.addColorStop(1, shade(deep, 0.12 - 0.16 * at));
    ctx.fillStyle = fill;
    ctx.fill();
    ctx.strokeStyle = withAlpha(shade(top, 0.18), 0.5);
    ctx.lineWidth = height * 0.002;
    ctx.stroke();
  }
  grain(ctx, width, height, 0.035, random);
};

const foliage: Motif = (ctx, width, height, { ground, main, deep, accent }, random, phase) => {
  washed(ctx, width, height, shade(ground, 0.03), shade(main, 0.28));
  blob(ctx, width * 0.3, height * 0.25, height * 0.7, shade(ground, 0.06), 0.9);
  const edge = Math.min(width, height);
  for (let depth = 0; depth < 3; depth++) {
    const paint = (inner: SKRSContext2D): void => {
      for (let twig = 0; twig < 9; twig++) {
        const side = random.next() < 0.5 ? -1 : 1;
        const x = side < 0 ? random.between(-0.04, 0.24) : random.between(0.76, 1.04);
        const y = random.between(-0.05, 1.1);
        const lean = random.between(-0.6, 0.6) - side * 0.9;
        const size = edge * random.between(0.24, 0.36) * (1 + depth * 0.2);
        const start = random.next();
        inner.save();
        inner.translate(width * x, height * y);
        inner.rotate(lean + 0.05 * Math.sin(TURN * (phase + start)));
        for (let pair = 0; pair < 7; pair++) {
          const along = -size * (0.12 + pair * 0.13);
          for (const turn of [-1, 1]) {
            inner.save();
            inner.translate(0, along);
            inner.rotate(turn * (0.95 - pair * 0.07) + 0.04 * Math.sin(TURN * (phase + start + pair * 0.1)));
            inner.fillStyle = shade(depth === 2 ? deep : main, random.between(-0.08, 0.1) + (depth === 0 ? 0.18 : 0));
            leafShape(inner, size * (0.42 - pair * 0.035), size * 0.1);
            inner.restore();
          }
        }
        inner.strokeStyle = shade(deep, 0.05);
        inner.lineWidth = size * 0.018;
        inner.beginPath();
        inner.moveTo(0, 0);
        inner.lineTo(0, -size);
        inner.stroke();
        inner.restore();
      }
    };
    if (depth === 0) softly(ctx, width, height, edge * 0.02, paint);
    else paint(ctx);
  }
  for (let berry = 0; berry < 16; berry++) {
    ctx.fillStyle = shade(accent, random.between(-0.05, 0.1));
    ctx.beginPath();
    const side = random.next() < 0.5 ? random.between(0, 0.2) : random.between(0.8, 1);
    ctx.arc(width * side, height * random.next(), edge * random.between(0.007, 0.014), 0, TURN);
    ctx.fill();
  }
  grain(ctx, width, height, 0.04, random);
};

const lights: Motif = (ctx, width, height, { deep, main, accent, ground }, random, phase) => {
  washed(ctx, width, height, shade(deep, -0.05), shade(main, -0.08), 1.1);
  const edge = Math.min(width, height);
  for (let index = 0; index < 46; index++) {
    const [x, y, size, start, drift] = [
      random.next(),
      random.next(),
      random.between(0.015, 0.085),
      random.next(),
      random.between(0.01, 0.03),
    ];
    const color = random.pick([accent, ground, shade(accent, 0.15), shade(main, 0.3)]);
    const pulse = 0.5 + 0.5 * Math.sin(TURN * (phase + start));
    const [cx, cy, radius] = [
      width * x + edge * drift * Math.cos(TURN * (phase + start)),
      height * y + edge * drift * Math.sin(TURN * (phase + start)),
      edge * size,
    ];
    const disc = ctx.createRadialGradient(cx, cy, radius * 0.1, cx, cy, radius);
    disc.addColorStop(0, withAlpha(color, 0.12 + 0.16 * pulse));
    disc.addColorStop(0.86, withAlpha(color, 0.2 + 0.3 * pulse));
    disc.addColorStop(1, withAlpha(color, 0));
    ctx.fillStyle = disc;
    ctx.beginPath();
    ctx.arc(cx, cy, radius, 0, TURN);
    ctx.fill();
  }
  grain(ctx, width, height, 0.04, random);
};

const scraps: Motif = (ctx, width, height, { ground, main, accent, deep }, random, phase) => {
  washed(ctx, width, height, shade(ground, 0.03), shade(ground, -0.05), Math.PI / 2);
  blob(ctx, width / 2, height * 0.4, Math.max(width, height) * 0.6, shade(ground, 0.06), 0.8);
  const edge = Math.min(width, height);
  for (let index = 0; index < 90; index++) {
    const [x, y, size, start, turns, tilt] = [
      random.next(),
      random.next(),
      random.between(0.012, 0.034),
      random.next(),
      Math.round(random.between(1, 3)),
      random.next() * TURN,
    ];
    const down = (y + phase) % 1;
    ctx.save();
    ctx.translate(width * (x + 0.03 * Math.sin(TURN * (phase + start))), height * (down * 1.16 - 0.08));
    ctx.rotate(tilt + TURN * turns * phase);
    ctx.scale(1, 0.35 + 0.65 * Math.abs(Math.cos(TURN * (phase * turns + start))));
    ctx.fillStyle = random.pick([main, accent, deep, shade(accent, 0.16), shade(main, 0.2)]);
    if (index % 3 === 0) {
      ctx.beginPath();
      ctx.arc(0, 0, edge * size * 0.6, 0, TURN);
      ctx.fill();
    } else ctx.fillRect(-edge * size, -edge * size * 0.4, edge * size * 2, edge * size * 0.8);
    ctx.restore();
  }
  grain(ctx, width, height, 0.03, random);
};

const rays: Motif = (ctx, width, height, { ground, main, accent }, random, phase) => {
  const [x, y] = [width * 0.5, height * 0.62];
  const far = Math.hypot(width, height);
  ctx.fillStyle = ground;
  ctx.fillRect(0, 0, width, height);
  const count = 18;
  for (let ray = 0; ray < count; ray++) {
    ctx.beginPath();
    ctx.moveTo(x, y);
    const turn = (TURN / count) * (ray + phase);
    ctx.arc(x, y, far, turn, turn + TURN / count / 2);
    ctx.closePath();
    const beam = ctx.createRadialGradient(x, y, 0, x, y, far * 0.75);
    beam.addColorStop(0, withAlpha(accent, 0.9));
    beam.addColorStop(1, withAlpha(shade(main, 0.2), 0.55));
    ctx.fillStyle = beam;
    ctx.fill();
  }
  blob(ctx, x, y, far * 0.3, shade(ground, 0.05), 1);
  grain(ctx, width, height, 0.05, random);
};

const hills: Motif = (ctx, width, height, { ground, main, deep, accent }, random, phase) => {
  washed(ctx, width, height, shade(ground, 0.04), shade(accent, 0.2), Math.PI / 2);
  const sun = [width * random.between(0.3, 0.7), height * (0.36 + 0.01 * Math.sin(TURN * phase))] as const;
  blob(ctx, sun[0], sun[1], height * 0.5, shade(accent, 0.22), 0.85);
  ctx.fillStyle = shade(ground, 0.06);
  ctx.beginPath();
  ctx.arc(sun[0], sun[1], Math.min(width, height) * 0.09, 0, TURN);
  ctx.fill();
  for (let layer = 0; layer < 5; layer++) {
    const at = layer / 4;
    const base = height * (0.5 + 0.13 * layer);
    const [one, two, three] = [random.next() * TURN, random.next() * TURN, random.between(0.8, 1.6)];
    ctx.beginPath();
    ctx.moveTo(0, height);
    for (let x = 0; x <= width + 6; x += 6)
      ctx.lineTo(
        x,
        base +
          height * 0.055 * Math.sin((x / width) * TURN * three + one) +
          height * 0.02 * Math.sin((x / width) * TURN * 3.3 + two),
      );
    ctx.lineTo(width, height);
    ctx.closePath();
    const fill = ctx.createLinearGradient(0, base - height * 0.08, 0, height);
    fill.addColorStop(0, shade(main, 0.26 - 0.3 * at));
    fill.addColorStop(1, shade(deep, 0.16 - 0.14 * at));
    ctx.fillStyle = fill;
    ctx.fill();
    ctx.save();
    ctx.clip();
    blob(ctx, width * ((0.2 + layer * 0.25 + phase) % 1.4) - width * 0.2, base, width * 0.3, shade(ground, 0.04), 0.18);
    ctx.restore();
  }
  grain(ctx, width, height, 0.045, random);
};

const terrazzo: Motif = (ctx, width, height, { ground, main, accent, deep }, random) => {
  ctx.fillStyle = shade(ground, 0.02);
  ctx.fillRect(0, 0, width, height);
  const edge = Math.min(width, height);
  for (let chip = 0; chip < 420; chip++) {
    const size = edge * random.between(0.006, 0.03) * (chip % 9 === 0 ? 1.7 : 1);
    const corners = Math.round(random.between(4, 7));
    ctx.save();
    ctx.translate(width * random.next(), height * random.next());
    ctx.rotate(random.next() * TURN);
    ctx.beginPath();
    for (let corner = 0; corner < corners; corner++) {
      const reach = size * random.between(0.6, 1.1);
      ctx.lineTo(reach * Math.cos((TURN * corner) / corners), reach * 0.8 * Math.sin((TURN * corner) / corners));
    }
    ctx.closePath();
    ctx.fillStyle = withAlpha(shade(random.pick([main, accent, deep, ground]), random.between(-0.1, 0.14)), 0.92);
    ctx.fill();
    ctx.restore();
  }
  grain(ctx, width, height, 0.07, random);
};

const weave: Motif = (ctx, width, height, { ground, main }, random) => {
  ctx.fillStyle = shade(ground, -0.02);
  ctx.fillRect(0, 0, width, height);
  const thread = Math.max(3, Math.round(Math.min(width, height) / 190));
  for (let y = 0; y < height; y += thread)
    for (let x = 0; x < width; x += thread) {
      const over = (x / thread + y / thread) % 2 === 0;
      ctx.fillStyle = withAlpha(
        shade(over ? ground : main, (over ? 0.02 : 0.26) + random.between(-0.045, 0.045)),
        over ? 0.8 : 0.45,
      );
      ctx.fillRect(x, y, thread - 0.6, thread - 0.6);
    }
  blob(ctx, width * 0.3, height * 0.2, Math.max(width, height) * 0.9, shade(ground, 0.08), 0.35);
  grain(ctx, width, height, 0.1, random);
};

const boards: Motif = (ctx, width, height, { main, deep, ground }, random) => {
  const count = 7;
  for (let board = 0; board < count; board++) {
    const top = (height / count) * board;
    const tone = random.between(-0.07, 0.07);
    washedPart(ctx, 0, top, width, height / count, shade(main, 0.08 + tone), shade(main, 0.02 + tone));
    for (let line = 0; line < 46; line++) {
      const y = top + (height / count) * random.next();
      const [bend, start] = [random.between(2, 9), random.next() * TURN];
      ctx.strokeStyle = withAlpha(
        shade(random.next() < 0.7 ? deep : ground, random.between(-0.04, 0.1)),
        random.between(0.05, 0.2),
      );
      ctx.lineWidth = random.between(0.6, 2.6);
      ctx.beginPath();
      for (let x = 0; x <= width + 24; x += 24) ctx.lineTo(x, y + bend * Math.sin((x / width) * 5 + start));
      ctx.stroke();
    }
    ctx.fillStyle = withAlpha(shade(deep, -0.12), 0.75);
    ctx.fillRect(0, top, width, Math.max(1.5, height * 0.0028));
  }
  blob(ctx, width * 0.25, height * 0.1, Math.max(width, height) * 0.9, "#ffffff", 0.22);
  grain(ctx, width, height, 0.06, random);
};

function washedPart(
  ctx: SKRSContext2D,
  x: number,
  y: number,
  width: number,
  height: number,
  from: string,
  to: string,
): void {
  const wash = ctx.createLinearGradient(x, y, x, y + height);
  wash.addColorStop(0, from);
  wash.addColorStop(1, to);
  ctx.fillStyle = wash;
  ctx.fillRect(x, y, width, height);
}

const plaster: Motif = (ctx, width, height, { ground, main, deep }, random) => {
  washed(ctx, width, height, shade(ground, 0.03), shade(ground, -0.1));
  softly(ctx, width, height, Math.min(width, height) * 0.03, (inner) => {
    for (let patch = 0; patch < 130; patch++) {
      inner.fillStyle = withAlpha(shade(random.pick([ground, main, deep, "#ffffff"]), 0), random.between(0.03, 0.13));
      inner.beginPath();
      inner.ellipse(
        width * random.next(),
        height * random.next(),
        width * random.between(0.02, 0.16),
        height * random.between(0.01, 0.07),
        random.next() * TURN,
        0,
        TURN,
      );
      inner.fill();
    }
  });
  for (let scratch = 0; scratch < 60; scratch++) {
    ctx.strokeStyle = withAlpha(random.next() < 0.5 ? "#ffffff" : deep, random.between(0.03, 0.1));
    ctx.lineWidth = random.between(0.5, 1.8);
    const [x, y, turn, long] = [
      width * random.next(),
      height * random.next(),
      random.next() * TURN,
      width * random.between(0.02, 0.12),
    ];
    ctx.beginPath();
    ctx.moveTo(x, y);
    ctx.quadraticCurveTo(
      x + long * 0.5 * Math.cos(turn) + 6,
      y + long * 0.5 * Math.sin(turn) - 6,
      x + long * Math.cos(turn),
      y + long * Math.sin(turn),
    );
    ctx.stroke();
  }
  grain(ctx, width, height, 0.12, random);
};

const petals: Motif = (ctx, width, height, { ground, main, accent, deep }, random, phase) => {
  washed(ctx, width, height, shade(ground, 0.04), shade(accent, 0.3));
  const edge = Math.min(width, height);
  for (let flower = 0; flower < 26; flower++) {
    const [x, y, size, start] = [random.next(), random.next(), edge * random.between(0.05, 0.14), random.next()];
    const color = shade(random.pick([accent, main, shade(accent, 0.12)]), random.between(-0.04, 0.12));
    const count = Math.round(random.between(5, 8));
    ctx.save();
    ctx.translate(width * x, height * y);
    ctx.rotate(start * TURN + 0.12 * Math.sin(TURN * (phase + start)));
    for (let petal = 0; petal < count; petal++) {
      ctx.rotate(TURN / count);
      const fill = ctx.createLinearGradient(0, 0, 0, -size);
      fill.addColorStop(0, shade(color, -0.14));
      fill.addColorStop(0.5, color);
      fill.addColorStop(1, shade(color, 0.12));
      ctx.fillStyle = fill;
      leafShape(ctx, size, size * 0.34);
    }
    ctx.fillStyle = shade(deep, 0.05);
    ctx.beginPath();
    ctx.arc(0, 0, size * 0.16, 0, TURN);
    ctx.fill();
    ctx.restore();
  }
  grain(ctx, width, height, 0.04, random);
};

const lattice: Motif = (ctx, width, height, { ground, main, accent, deep }, random) => {
  ctx.fillStyle = ground;
  ctx.fillRect(0, 0, width, height);
  const cell = Math.min(width, height) / 8;
  for (let row = -1; row * cell < height + cell; row++)
    for (let column = -1; column * cell < width + cell; column++) {
      ctx.save();
      ctx.translate(column * cell + cell / 2, row * cell + cell / 2);
      ctx.rotate((Math.floor(random.next() * 4) * Math.PI) / 2);
      ctx.fillStyle = shade(random.pick([main, shade(main, 0.18), shade(ground, -0.08)]), 0);
      ctx.beginPath();
      ctx.moveTo(-cell / 2, -cell / 2);
      ctx.arc(-cell / 2, -cell / 2, cell, 0, Math.PI / 2);
      ctx.closePath();
      ctx.fill();
      if (random.next() < 0.3) {
        ctx.fillStyle = random.pick([accent, deep]);
        ctx.beginPath();
        ctx.arc(cell * 0.24, cell * 0.24, cell * 0.13, 0, TURN);
        ctx.fill();
      }
      ctx.restore();
    }
  grain(ctx, width, height, 0.05, random);
};

const stripes: Motif = (ctx, width, height, { ground, main, accent }, random) => {
  ctx.fillStyle = ground;
  ctx.fillRect(0, 0, width, height);
  const far = Math.hypot(width, height);
  ctx.save();
  ctx.translate(width / 2, height / 2);
  ctx.rotate(-Math.PI / 5);
  const wide = far / 16;
  for (let stripe = -9; stripe < 9; stripe++) {
    washedPart(
      ctx,
      -far / 2,
      stripe * wide,
      far,
      wide * 0.5,
      shade(stripe % 4 === 0 ? accent : main, 0.04),
      stripe % 4 === 0 ? accent : main,
    );
  }
  ctx.restore();
  blob(ctx, width * 0.2, height * 0.1, far * 0.7, "#ffffff", 0.3);
  grain(ctx, width, height, 0.06, random);
};

export const MOTIFS = {
  glow,
  waves,
  foliage,
  lights,
  scraps,
  rays,
  hills,
  terrazzo,
  weave,
  boards,
  plaster,
  petals,
  lattice,
  stripes,
} as const satisfies Readonly<Record<string, Motif>>;
export type MotifName = keyof typeof MOTIFS;
export const MOTIF_NAMES = keysOf(MOTIFS);
/** Motifs that move. */
export const MOVING = [
  "glow",
  "waves",
  "foliage",
  "lights",
  "scraps",
  "rays",
  "hills",
  "petals",
] as const satisfies readonly MotifName[];
