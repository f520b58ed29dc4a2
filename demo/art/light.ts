import { type Canvas, type SKRSContext2D, createCanvas } from "@napi-rs/canvas";
import { type Rect, rect } from "../../core/geometry/rect";
import { type Random, seeded } from "../../server/shelf/random";

export type Ctx = SKRSContext2D;

/** A colour as hue (degrees), saturation and lightness (percent), and alpha. */
export const hsl = (hue: number, saturation: number, lightness: number, alpha = 1): string =>
  `hsla(${hue}, ${saturation}%, ${lightness}%, ${alpha})`;

/**
 * Draws softly: everything in `draw` is blurred by `radius` pixels. Blurred small and enlarged, since a blur has no fine
 * detail to lose, and once for all of it.
 */
export function soft(ctx: Ctx, radius: number, draw: (ctx: Ctx) => void): void {
  const shrink = Math.max(1, Math.min(12, radius / 3));
  const { width, height } = ctx.canvas;
  const small = createCanvas(Math.ceil(width / shrink), Math.ceil(height / shrink));
  const inner = small.getContext("2d");
  const { a, b, c, d, e, f } = ctx.getTransform();
  inner.setTransform(a / shrink, b / shrink, c / shrink, d / shrink, e / shrink, f / shrink);
  draw(inner);
  const drawn = drawnPart(small, Math.ceil((3 * radius) / shrink) + 1);
  if (!drawn) return;
  const blurred = createCanvas(drawn.width, drawn.height);
  const across = blurred.getContext("2d");
  across.filter = `blur(${radius / shrink}px)`;
  across.drawImage(small, -drawn.x, -drawn.y);
  ctx.save();
  ctx.resetTransform();
  ctx.drawImage(blurred, drawn.x * shrink, drawn.y * shrink, drawn.width * shrink, drawn.height * shrink);
  ctx.restore();
}

/** The part of a canvas that anything is drawn on, and so much around it: the rest need not be blurred or laid on. */
function drawnPart(canvas: Canvas, around: number): Rect | null {
  const { width, height } = canvas;
  const pixels = new Uint32Array(canvas.data().buffer);
  let [left, top, right, bottom] = [width, height, -1, -1];
  // Plain loops: a function called for each pixel takes ten times as long, and this is most of what painting a clip takes.
  for (let y = 0; y < height; y++) {
    const start = y * width;
    let first = 0;
    while (first < width && pixels[start + first] === 0) first++;
    if (first === width) continue;
    let last = width - 1;
    while (last > right && pixels[start + last] === 0) last--;
    left = Math.min(left, first);
    right = last;
    if (top > y) top = y;
    bottom = y;
  }
  if (right < 0) return null;
  const [x, y] = [Math.max(0, left - around), Math.max(0, top - around)];
  return rect(x, y, Math.min(width, right + 1 + around) - x, Math.min(height, bottom + 1 + around) - y);
}

export function linear(
  ctx: Ctx,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  stops: readonly (readonly [number, string])[],
): CanvasGradient {
  const gradient = ctx.createLinearGradient(x1, y1, x2, y2);
  for (const [at, color] of stops) gradient.addColorStop(at, color);
  return gradient;
}

export function fillWith(ctx: Ctx, style: string | CanvasGradient): void {
  ctx.fillStyle = style;
  ctx.fill();
}

/** A plaster wall lit from the upper left, with patches of tone and, on it, the light of a window. */
export function wall(ctx: Ctx, width: number, height: number, hue: number, random: Random, brightness = 0): void {
  ctx.beginPath();
  ctx.rect(0, 0, width, height);
  fillWith(
    ctx,
    linear(ctx, 0, 0, width, height, [
      [0, hsl(hue + 6, 48, 90 + brightness)],
      [0.45, hsl(hue, 34, 80 + brightness)],
      [1, hsl(hue - 18, 24, 60 + brightness)],
    ]),
  );
  soft(ctx, width * 0.03, (ctx) => {
    for (let patch = 0; patch < 46; patch++) {
      ctx.beginPath();
      ctx.ellipse(
        random.between(0, width),
        random.between(0, height),
        width * random.between(0.03, 0.12),
        width * random.between(0.02, 0.06),
        random.between(0, 3),
        0,
        7,
      );
      fillWith(ctx, random.next() < 0.5 ? hsl(hue + 10, 60, 96, 0.1) : hsl(hue - 20, 30, 40, 0.06));
    }
  });
}

/** Four panes of window light thrown aslant on a wall. */
export function windowLight(ctx: Ctx, x: number, y: number, size: number, strength = 0.55): void {
  soft(ctx, size * 0.018, (ctx) => {
    for (const [column, row] of [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ] as const) {
      const left = x + column * size * 0.42 + row * size * 0.16;
      const top = y + row * size * 0.46 - column * size * 0.05;
      ctx.beginPath();
      ctx.moveTo(left, top);
      ctx.lineTo(left + size * 0.38, top - size * 0.045);
      ctx.lineTo(left + size * 0.53, top + size * 0.37);
      ctx.lineTo(left + size * 0.15, top + size * 0.42);
      ctx.closePath();
      fillWith(
        ctx,
        linear(ctx, left, top, left + size * 0.5, top + size * 0.4, [
          [0, `rgba(255, 246, 214, ${strength})`],
          [1, `rgba(255, 236, 190, ${strength * 0.55})`],
        ]),
      );
    }
  });
}

/** Blurred discs of light, as a lens makes of a garden far behind. */
export function bokeh(
  ctx: Ctx,
  width: number,
  height: number,
  hues: readonly number[],
  random: Random,
  count = 60,
): void {
  soft(ctx, width * 0.006, (ctx) => {
    for (let disc = 0; disc < count; disc++) {
      ctx.beginPath();
      ctx.arc(
        random.between(-0.05, 1.05) * width,
        random.between(-0.05, 0.85) * height,
        width * random.between(0.015, 0.075),
        0,
        7,
      );
      fillWith(ctx, hsl(random.pick(hues), random.between(30, 60), random.between(58, 84), random.between(0.05, 0.2)));
    }
  });
}

/** Wooden boards seen from slightly above, from `top` to the foot of the picture, with a lit front edge. */
export function boards(
  ctx: Ctx,
  width: number,
  height: number,
  top: number,
  hue: number,
  random: Random,
  lightness = 46,
): void {
  ctx.beginPath();
  ctx.rect(0, top, width, height - top);
  fillWith(
    ctx,
    linear(ctx, 0, top, 0, height, [
      [0, hsl(hue, 42, lightness + 12)],
      [0.25, hsl(hue, 46, lightness)],
      [1, hsl(hue - 6, 48, lightness - 22)],
    ]),
  );
  ctx.save();
  ctx.beginPath();
  ctx.rect(0, top, width, height - top);
  ctx.clip();
  for (let streak = 0; streak < 260; streak++) {
    const depth = random.next() ** 1.4;
    const y = top + depth * (height - top);
    const x = random.between(-0.2, 1) * width;
    const length = width * random.between(0.1, 0.5);
    ctx.beginPath();
    ctx.moveTo(x, y);
    ctx.bezierCurveTo(
      x + length * 0.3,
      y + random.between(-6, 6),
      x + length * 0.7,
      y + random.between(-6, 6),
      x + length,
      y + random.between(-3, 3),
    );
    ctx.lineWidth = 1 + depth * random.between(1, 4);
    ctx.strokeStyle =
      random.next() < 0.6
        ? hsl(hue - 8, 50, lightness - 26, random.between(0.05, 0.2))
        : hsl(hue + 6, 60, lightness + 24, random.between(0.04, 0.14));
    ctx.stroke();
  }
  let y = top;
  for (let gap = (height - top) * 0.14; y < height; gap *= 1.5) {
    y += gap;
    ctx.fillStyle = hsl(hue - 10, 50, 12, 0.5);
    ctx.fillRect(0, y, width, 3 + gap * 0.012);
    ctx.fillStyle = hsl(hue + 8, 60, 74, 0.25);
    ctx.fillRect(0, y + 3 + gap * 0.012, width, 2);
  }
  ctx.restore();
  ctx.fillStyle = hsl(hue + 10, 70, 82, 0.5);
  ctx.fillRect(0, top, width, Math.max(2, height * 0.0025));
}

/** The shadow a thing standing at (x, y) throws: dark and tight below it, long and soft to the right. */
export function groundShadow(ctx: Ctx, x: number, y: number, width: number): void {
  soft(ctx, width * 0.09, (ctx) => {
    ctx.beginPath();
    ctx.ellipse(x + width * 0.34, y + width * 0.02, width * 0.82, width * 0.13, 0.04, 0, 7);
    fillWith(ctx, "rgba(28, 18, 10, 0.4)");
  });
  soft(ctx, width * 0.03, (ctx) => {
    ctx.beginPath();
    ctx.ellipse(x + width * 0.03, y, width * 0.5, width * 0.075, 0, 0, 7);
    fillWith(ctx, "rgba(20, 12, 6, 0.6)");
  });
}

let grainTile: Canvas | null = null;

/** Fine paper grain and darker corners: what makes drawn shapes sit in one picture. */
export function finish(ctx: Ctx, width: number, height: number, warmth = 0.1): void {
  if (!grainTile) {
    grainTile = createCanvas(512, 512);
    const tile = grainTile.getContext("2d");
    const pixels = tile.createImageData(512, 512);
    const random = seeded(77);
    for (let index = 0; index < pixels.data.length; index += 4) {
      const tone = 128 + (random.next() + random.next() - 1) * 90;
      pixels.data.set([tone, tone, tone, 255], index);
    }
    tile.putImageData(pixels, 0, 0);
  }
  ctx.save();
  ctx.globalCompositeOperation = "overlay";
  ctx.globalAlpha = 0.11;
  for (let x = 0; x < width; x += 512) for (let y = 0; y < height; y += 512) ctx.drawImage(grainTile, x, y);
  ctx.globalCompositeOperation = "soft-light";
  ctx.globalAlpha = 1;
  ctx.beginPath();
  ctx.rect(0, 0, width, height);
  fillWith(
    ctx,
    linear(ctx, 0, 0, width, height, [
      [0, `rgba(255, 224, 150, ${warmth * 4})`],
      [0.5, "rgba(255, 220, 170, 0)"],
      [1, "rgba(20, 20, 60, 0.35)"],
    ]),
  );
  ctx.restore();
  const vignette = ctx.createRadialGradient(
    width * 0.48,
    height * 0.46,
    Math.min(width, height) * 0.35,
    width / 2,
    height / 2,
    Math.max(width, height) * 0.78,
  );
  vignette.addColorStop(0, "rgba(20, 14, 8, 0)");
  vignette.addColorStop(1, "rgba(20, 14, 8, 0.42)");
  ctx.fillStyle = vignette;
  ctx.fillRect(0, 0, width, height);
}
