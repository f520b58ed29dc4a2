import { type Ctx, fillWith, hsl, linear } from "./light";
import { type Random } from "../../server/shelf/random";

/** How a leaf looks. Lengths in pixels, angles in radians from straight up, clockwise. */
export interface Leaf {
  readonly length: number;
  readonly width: number;
  readonly hue: number;
  readonly saturation: number;
  readonly lightness: number;
  /** How far the tip bends aside, as a share of the length. */
  readonly bend: number;
  /** Where the leaf is widest: 0.3 near the stalk, 0.6 near the tip. */
  readonly belly: number;
}

/** A single leaf from its foot at (x, y): a light and a dark half, a midrib, and a rim of light. */
export function leaf(ctx: Ctx, x: number, y: number, angle: number, look: Leaf): void {
  const { length, width, hue, saturation, lightness, bend, belly } = look;
  ctx.save();
  ctx.translate(x, y);
  ctx.rotate(angle);
  const tip = { x: bend * length, y: -length };
  const mid = { x: bend * length * 0.3, y: -length * belly };
  const half = (side: number): void => {
    ctx.beginPath();
    ctx.moveTo(0, 0);
    ctx.bezierCurveTo(
      side * width * 0.32,
      -length * 0.06,
      mid.x + side * width * 0.62,
      mid.y + length * 0.12,
      mid.x + side * width * 0.5,
      mid.y,
    );
    ctx.bezierCurveTo(
      mid.x + side * width * 0.42,
      mid.y - length * 0.22,
      tip.x + side * width * 0.05,
      tip.y + length * 0.1,
      tip.x,
      tip.y,
    );
    ctx.quadraticCurveTo(mid.x + bend * length * 0.14, mid.y * 1.05, 0, 0);
    ctx.closePath();
  };
  half(-1);
  fillWith(
    ctx,
    linear(ctx, -width / 2, 0, width / 4, -length, [
      [0, hsl(hue, saturation, lightness * 0.62)],
      [0.5, hsl(hue + 4, saturation, lightness * 1.08)],
      [1, hsl(hue + 14, saturation, Math.min(92, lightness * 1.42))],
    ]),
  );
  half(1);
  fillWith(
    ctx,
    linear(ctx, 0, 0, width / 2, -length, [
      [0, hsl(hue - 8, saturation, lightness * 0.42)],
      [0.55, hsl(hue - 4, saturation, lightness * 0.72)],
      [1, hsl(hue + 8, saturation, lightness * 1.12)],
    ]),
  );
  ctx.beginPath();
  ctx.moveTo(0, 0);
  ctx.quadraticCurveTo(mid.x + bend * length * 0.14, mid.y * 1.05, tip.x, tip.y);
  ctx.lineWidth = Math.max(1, width * 0.03);
  ctx.strokeStyle = hsl(hue + 16, saturation, Math.min(94, lightness * 1.55), 0.55);
  ctx.stroke();
  ctx.restore();
}

/** A rosette of pointed, fleshy leaves: far leaves dark and first, near leaves light and last. `sway` bends all. */
export function agave(ctx: Ctx, x: number, y: number, size: number, random: Random, hue = 128, sway = 0): void {
  const leaves = Array.from({ length: 26 }, (_, index) => ({
    depth: index / 25,
    angle: random.between(-1.42, 1.42),
    jitter: random.between(0.86, 1.1),
  }));
  leaves.forEach(({ depth, angle, jitter }, index) => {
    const spread = angle * (0.55 + 0.5 * depth) * (index % 2 === 0 ? 1 : -1);
    const low = Math.abs(spread) / 1.5;
    leaf(ctx, x + spread * size * 0.06, y - size * 0.02 * (1 - depth), spread + sway * (1 - low * 0.5), {
      length: size * (0.98 - 0.32 * depth - 0.16 * low) * jitter,
      width: size * (0.15 + 0.05 * depth),
      hue: hue + 16 * depth,
      saturation: 24 + 12 * depth,
      lightness: 26 + 30 * depth,
      bend: spread * 0.22 + sway * 0.4,
      belly: 0.42,
    });
  });
}

/** Arching fronds of small paired leaves. `sway` moves their tips. */
export function fern(ctx: Ctx, x: number, y: number, size: number, random: Random, hue = 105, sway = 0): void {
  const fronds = Array.from({ length: 19 }, (_, index) => ({
    depth: index / 18,
    side: random.between(-1, 1),
    reach: random.between(0.75, 1.1),
    phase: random.between(0, 6),
  }));
  for (const { depth, side, reach, phase } of fronds) {
    const wave = sway * (0.6 + 0.4 * Math.sin(phase));
    const end = { x: x + (side * 0.95 + wave) * size * reach, y: y - size * (0.95 - Math.abs(side) * 0.62) * reach };
    const top = { x: x + (side * 0.42 + wave * 0.4) * size, y: y - size * (0.98 - Math.abs(side) * 0.2) * reach };
    const at = (t: number): { x: number; y: number } => ({
      x: (1 - t) ** 2 * x + 2 * t * (1 - t) * top.x + t * t * end.x,
      y: (1 - t) ** 2 * y + 2 * t * (1 - t) * top.y + t * t * end.y,
    });
    const tone = 24 + 26 * depth;
    ctx.beginPath();
    ctx.moveTo(x, y);
    ctx.quadraticCurveTo(top.x, top.y, end.x, end.y);
    ctx.lineWidth = size * 0.009;
    ctx.strokeStyle = hsl(hue - 20, 34, tone);
    ctx.stroke();
    for (let step = 4; step <= 26; step++) {
      const t = step / 26;
      const [here, ahead] = [at(t), at(Math.min(1, t + 0.02))];
      const along = Math.atan2(ahead.y - here.y, ahead.x - here.x) + Math.PI / 2;
      const length = size * 0.2 * Math.sin(Math.PI * (0.16 + 0.8 * t)) * (1.05 - 0.55 * t);
      for (const turn of [-1.12, 1.12])
        leaf(ctx, here.x, here.y, along + turn, {
          length,
          width: length * 0.3,
          hue: hue + 10 * depth + 8 * t,
          saturation: 42,
          lightness: tone + 8 * t,
          bend: turn * 0.12,
          belly: 0.4,
        });
    }
  }
}

/** A dome of broad leaves: basil, mint. */
export function bush(ctx: Ctx, x: number, y: number, size: number, random: Random, hue = 98, sway = 0): void {
  for (let index = 0; index < 74; index++) {
    const depth = index / 74;
    const angle = random.between(-1.5, 1.5);
    const reach = Math.sqrt(random.next()) * size * 0.78;
    const foot = {
      x: x + Math.sin(angle) * reach * 0.8 + sway * reach * 0.3,
      y: y - Math.cos(angle) * reach * 0.85 - size * 0.06,
    };
    leaf(ctx, foot.x, foot.y, angle * 0.9 + random.between(-0.7, 0.7) + sway, {
      length: size * random.between(0.2, 0.34),
      width: size * random.between(0.13, 0.2),
      hue: hue + random.between(-8, 10),
      saturation: 46,
      lightness: 20 + 28 * depth + random.between(-3, 5),
      bend: random.between(-0.16, 0.16),
      belly: 0.45,
    });
  }
}

/** Thin stems with flower spikes: lavender. */
export function spikes(ctx: Ctx, x: number, y: number, size: number, random: Random, hue = 262, sway = 0): void {
  for (let stem = 0; stem < 30; stem++) {
    const side = random.between(-0.5, 0.5);
    const height = size * random.between(0.7, 1.1);
    const lean = sway * random.between(0.6, 1.2);
    const end = { x: x + (side * 1.3 + lean) * size * 0.7, y: y - height };
    ctx.beginPath();
    ctx.moveTo(x + side * size * 0.25, y);
    ctx.quadraticCurveTo(x + side * size * 0.4, y - height * 0.6, end.x, end.y);
    ctx.lineWidth = size * 0.012;
    ctx.strokeStyle = hsl(96, 28, 30 + 14 * (stem / 30));
    ctx.stroke();
    for (let floret = 0; floret < 20; floret++) {
      const t = floret / 20;
      ctx.beginPath();
      ctx.ellipse(
        end.x + random.between(-1, 1) * size * 0.026,
        end.y + t * height * 0.3,
        size * 0.02,
        size * 0.026,
        random.between(0, 3),
        0,
        7,
      );
      fillWith(ctx, hsl(hue + random.between(-10, 14), 38 + 14 * t, 44 + 26 * (stem / 30) * (1 - t * 0.4), 0.95));
    }
  }
  for (let blade = 0; blade < 26; blade++)
    leaf(ctx, x + random.between(-0.16, 0.16) * size, y, random.between(-0.9, 0.9), {
      length: size * random.between(0.25, 0.5),
      width: size * 0.03,
      hue: 110,
      saturation: 18,
      lightness: random.between(34, 54),
      bend: random.between(-0.2, 0.2),
      belly: 0.4,
    });
}

/** Two round seed leaves on a pale stem. */
export function seedling(ctx: Ctx, x: number, y: number, size: number, random: Random): void {
  const lean = random.between(-0.16, 0.16);
  ctx.beginPath();
  ctx.moveTo(x, y);
  ctx.quadraticCurveTo(x + lean * size * 0.4, y - size * 0.5, x + lean * size, y - size * 0.8);
  ctx.lineWidth = size * 0.06;
  ctx.strokeStyle = hsl(84, 42, 66);
  ctx.stroke();
  for (const side of [-1, 1])
    leaf(ctx, x + lean * size, y - size * 0.8, side * random.between(0.8, 1.15), {
      length: size * 0.46,
      width: size * 0.3,
      hue: 92,
      saturation: 52,
      lightness: random.between(40, 54),
      bend: side * 0.12,
      belly: 0.52,
    });
}
