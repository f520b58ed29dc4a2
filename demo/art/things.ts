import { type Ctx, fillWith, groundShadow, hsl, linear, soft } from "./light";
import { type Random } from "../../server/shelf/random";

/** A pot that stands at (x, y), the middle of its foot. */
export interface Pot {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly hue: number;
  readonly saturation: number;
  readonly lightness: number;
  readonly glazed?: boolean;
}

const RIM = 0.2;

/** Where a plant grows out of a pot. */
export const potMouth = (pot: Pot): { x: number; y: number } => ({ x: pot.x, y: pot.y - pot.height * 0.97 });

/** The pot's back rim and soil: drawn before the plant. */
export function potBack(ctx: Ctx, pot: Pot): void {
  const { x, y, width, height, hue, saturation, lightness } = pot;
  groundShadow(ctx, x, y, width);
  ctx.beginPath();
  ctx.ellipse(x, y - height, width / 2, width * 0.085, 0, 0, 7);
  fillWith(
    ctx,
    linear(ctx, x - width / 2, 0, x + width / 2, 0, [
      [0, hsl(hue, saturation, lightness * 0.8)],
      [1, hsl(hue, saturation, lightness * 0.42)],
    ]),
  );
  ctx.beginPath();
  ctx.ellipse(x, y - height + width * 0.012, width * 0.45, width * 0.07, 0, 0, 7);
  fillWith(
    ctx,
    linear(ctx, 0, y - height - width * 0.07, 0, y - height + width * 0.07, [
      [0, "#1c130d"],
      [1, "#43301f"],
    ]),
  );
}

/** The pot's body and front rim: drawn after the plant's foot. */
export function potFront(ctx: Ctx, pot: Pot, random: Random): void {
  const { x, y, width, height, hue, saturation, lightness, glazed } = pot;
  const rimTop = y - height;
  const rimFoot = rimTop + height * RIM;
  const across = (dark: number): CanvasGradient =>
    linear(ctx, x - width / 2, 0, x + width / 2, 0, [
      [0, hsl(hue, saturation, lightness * 0.72 * dark)],
      [0.22, hsl(hue + 4, saturation + 6, Math.min(88, lightness * 1.32 * dark))],
      [0.42, hsl(hue + 1, saturation, lightness * 1.04 * dark)],
      [0.78, hsl(hue - 4, saturation, lightness * 0.62 * dark)],
      [0.94, hsl(hue - 6, saturation, lightness * 0.42 * dark)],
      [1, hsl(hue, saturation * 0.8, lightness * 0.6 * dark)],
    ]);
  ctx.beginPath();
  ctx.moveTo(x - width * 0.445, rimFoot - height * 0.02);
  ctx.bezierCurveTo(x - width * 0.43, y - height * 0.5, x - width * 0.34, y - height * 0.08, x - width * 0.31, y);
  ctx.bezierCurveTo(x - width * 0.18, y + width * 0.055, x + width * 0.18, y + width * 0.055, x + width * 0.31, y);
  ctx.bezierCurveTo(
    x + width * 0.34,
    y - height * 0.08,
    x + width * 0.43,
    y - height * 0.5,
    x + width * 0.445,
    rimFoot - height * 0.02,
  );
  ctx.closePath();
  fillWith(ctx, across(0.94));
  ctx.save();
  ctx.clip();
  speckle(ctx, pot, random, glazed === true);
  soft(ctx, height * 0.03, (ctx) => {
    ctx.fillStyle = "rgba(30, 12, 4, 0.5)";
    ctx.fillRect(x - width / 2, rimFoot - height * 0.04, width, height * 0.085);
    ctx.fillStyle = "rgba(30, 12, 4, 0.34)";
    ctx.fillRect(x - width / 2, y - height * 0.06, width, height * 0.14);
  });
  ctx.restore();
  ctx.beginPath();
  ctx.moveTo(x - width / 2, rimTop);
  ctx.bezierCurveTo(
    x - width * 0.44,
    rimTop + width * 0.112,
    x + width * 0.44,
    rimTop + width * 0.112,
    x + width / 2,
    rimTop,
  );
  ctx.lineTo(x + width * 0.475, rimFoot - width * 0.03);
  ctx.bezierCurveTo(
    x + width * 0.4,
    rimFoot + width * 0.07,
    x - width * 0.4,
    rimFoot + width * 0.07,
    x - width * 0.475,
    rimFoot - width * 0.03,
  );
  ctx.closePath();
  fillWith(ctx, across(1.08));
  ctx.save();
  ctx.clip();
  speckle(ctx, pot, random, glazed === true);
  ctx.restore();
  ctx.beginPath();
  ctx.moveTo(x - width / 2, rimTop);
  ctx.bezierCurveTo(
    x - width * 0.44,
    rimTop + width * 0.112,
    x + width * 0.44,
    rimTop + width * 0.112,
    x + width / 2,
    rimTop,
  );
  ctx.lineWidth = Math.max(1.5, width * 0.012);
  ctx.strokeStyle = linear(ctx, x - width / 2, 0, x + width / 2, 0, [
    [0, hsl(hue + 8, saturation, 86, 0.7)],
    [0.4, hsl(hue + 8, saturation, 90, 0.8)],
    [1, hsl(hue, saturation, 50, 0.1)],
  ]);
  ctx.stroke();
  if (glazed)
    soft(ctx, width * 0.018, (ctx) => {
      ctx.beginPath();
      ctx.ellipse(x - width * 0.24, y - height * 0.46, width * 0.035, height * 0.22, 0.08, 0, 7);
      fillWith(ctx, "rgba(255, 255, 255, 0.62)");
    });
}

function speckle(
  ctx: Ctx,
  { x, y, width, height, hue, saturation, lightness }: Pot,
  random: Random,
  glazed: boolean,
): void {
  for (let dot = 0; dot < (glazed ? 90 : 300); dot++) {
    ctx.beginPath();
    ctx.ellipse(
      x + random.between(-0.5, 0.5) * width,
      y - random.next() * height,
      width * random.between(0.001, glazed ? 0.008 : 0.005),
      width * random.between(0.001, 0.003),
      random.between(0, 3),
      0,
      7,
    );
    fillWith(
      ctx,
      random.next() < 0.5
        ? hsl(hue + 10, saturation, Math.min(92, lightness * 1.6), 0.28)
        : hsl(hue - 10, saturation, lightness * 0.4, 0.24),
    );
  }
  for (let ring = 0; ring < 9; ring++) {
    const at = y - height * random.between(0.02, 0.98);
    ctx.beginPath();
    ctx.ellipse(x, at - width * 0.03, width * 0.52, width * 0.07, 0, 0, Math.PI);
    ctx.lineWidth = height * random.between(0.003, 0.01);
    ctx.strokeStyle = hsl(hue, saturation, random.next() < 0.5 ? lightness * 1.3 : lightness * 0.6, 0.14);
    ctx.stroke();
  }
}

/** A whole pot with what grows in it. */
export function planted(ctx: Ctx, pot: Pot, random: Random, plant: (x: number, y: number) => void): void {
  potBack(ctx, pot);
  const mouth = potMouth(pot);
  plant(mouth.x, mouth.y + pot.width * 0.03);
  potFront(ctx, pot, random);
}

/** A slatted wooden crate; what stands in it is drawn between its back and its front. */
export function crate(
  ctx: Ctx,
  x: number,
  y: number,
  width: number,
  height: number,
  random: Random,
  inside: () => void,
): void {
  groundShadow(ctx, x, y, width * 0.95);
  ctx.beginPath();
  ctx.rect(x - width * 0.47, y - height * 1.1, width * 0.94, height * 0.9);
  fillWith(
    ctx,
    linear(ctx, 0, y - height * 1.1, 0, y, [
      [0, "#4a3320"],
      [1, "#21150c"],
    ]),
  );
  inside();
  for (let slat = 0; slat < 3; slat++) {
    const top = y - height + slat * height * 0.345;
    const tone = random.between(-4, 4);
    ctx.beginPath();
    ctx.roundRect(x - width / 2, top, width, height * 0.3, height * 0.02);
    fillWith(
      ctx,
      linear(ctx, 0, top, 0, top + height * 0.3, [
        [0, hsl(33, 44, 70 + tone)],
        [0.2, hsl(31, 42, 60 + tone)],
        [1, hsl(27, 44, 42 + tone)],
      ]),
    );
    ctx.save();
    ctx.clip();
    for (let line = 0; line < 26; line++) {
      const grain = top + random.next() * height * 0.3;
      const from = x + random.between(-0.55, 0.3) * width;
      ctx.beginPath();
      ctx.moveTo(from, grain);
      ctx.bezierCurveTo(
        from + width * 0.1,
        grain + random.between(-4, 4),
        from + width * 0.25,
        grain,
        from + width * random.between(0.2, 0.5),
        grain + random.between(-3, 3),
      );
      ctx.lineWidth = random.between(1, 3.5);
      ctx.strokeStyle = hsl(25, 50, 24, random.between(0.06, 0.2));
      ctx.stroke();
    }
    ctx.beginPath();
    ctx.rect(x, top, width / 2, height * 0.3);
    fillWith(
      ctx,
      linear(ctx, x, 0, x + width / 2, 0, [
        [0, "rgba(30, 14, 4, 0)"],
        [1, "rgba(30, 14, 4, 0.4)"],
      ]),
    );
    ctx.restore();
  }
  for (const side of [-1, 1]) {
    const left = x + side * width * 0.44 - width * 0.035;
    ctx.beginPath();
    ctx.rect(left, y - height * 1.06, width * 0.07, height * 1.08);
    fillWith(
      ctx,
      linear(ctx, left, 0, left + width * 0.07, 0, [
        [0, hsl(32, 44, 66)],
        [1, hsl(27, 44, 38)],
      ]),
    );
    for (const nail of [0.14, 0.5, 0.84]) {
      ctx.beginPath();
      ctx.arc(left + width * 0.035, y - height * nail, width * 0.007, 0, 7);
      fillWith(ctx, "#3b2a1c");
    }
  }
}

/** A long-spouted metal watering can; (x, y) is the middle of its foot. `tilt` turns it about its foot, spout down. */
export function wateringCan(ctx: Ctx, x: number, y: number, size: number, hue: number, random: Random, tilt = 0): void {
  if (tilt === 0) groundShadow(ctx, x, y, size * 0.72);
  ctx.save();
  ctx.translate(x, y);
  ctx.rotate(tilt);
  const metal = (dark: number): CanvasGradient =>
    linear(ctx, -size * 0.36, 0, size * 0.36, 0, [
      [0, hsl(hue, 26, 34 * dark)],
      [0.2, hsl(hue, 30, 66 * dark)],
      [0.3, hsl(hue, 34, 82 * dark)],
      [0.42, hsl(hue, 28, 52 * dark)],
      [0.8, hsl(hue, 30, 26 * dark)],
      [1, hsl(hue, 24, 40 * dark)],
    ]);
  ctx.lineCap = "round";
  const tube = (width: number, draw: () => void): void => {
    for (const [share, tone] of [
      [1, 22],
      [0.72, 42],
      [0.28, 74],
    ] as const) {
      ctx.beginPath();
      draw();
      ctx.lineWidth = width * share;
      ctx.strokeStyle = hsl(hue, 28, tone);
      ctx.stroke();
    }
  };
  tube(size * 0.05, () => {
    ctx.moveTo(size * 0.28, -size * 0.62);
    ctx.bezierCurveTo(size * 0.78, -size * 0.84, size * 0.76, -size * 0.12, size * 0.33, -size * 0.16);
  });
  tube(size * 0.075, () => {
    ctx.moveTo(-size * 0.3, -size * 0.14);
    ctx.bezierCurveTo(-size * 0.62, -size * 0.22, -size * 0.62, -size * 0.52, -size * 0.92, -size * 0.72);
  });
  ctx.save();
  ctx.translate(-size * 0.94, -size * 0.73);
  ctx.rotate(-0.92);
  ctx.beginPath();
  ctx.ellipse(0, 0, size * 0.11, size * 0.045, 0, 0, 7);
  fillWith(
    ctx,
    linear(ctx, -size * 0.1, 0, size * 0.1, 0, [
      [0, hsl(hue, 30, 78)],
      [1, hsl(hue, 28, 34)],
    ]),
  );
  for (let hole = 0; hole < 24; hole++) {
    ctx.beginPath();
    ctx.arc(random.between(-0.08, 0.08) * size, random.between(-0.026, 0.026) * size, size * 0.005, 0, 7);
    fillWith(ctx, hsl(hue, 30, 18));
  }
  ctx.restore();
  ctx.beginPath();
  ctx.moveTo(-size * 0.31, -size * 0.62);
  ctx.lineTo(-size * 0.36, 0);
  ctx.bezierCurveTo(-size * 0.2, size * 0.06, size * 0.2, size * 0.06, size * 0.36, 0);
  ctx.lineTo(size * 0.31, -size * 0.62);
  ctx.closePath();
  fillWith(ctx, metal(1));
  for (const band of [-0.05, -0.34]) {
    ctx.beginPath();
    ctx.ellipse(0, size * (band - 0.03), size * (0.365 + band * 0.08), size * 0.05, 0, 0, Math.PI);
    ctx.lineWidth = size * 0.014;
    ctx.strokeStyle = hsl(hue, 30, 88, 0.45);
    ctx.stroke();
  }
  ctx.beginPath();
  ctx.ellipse(0, -size * 0.62, size * 0.31, size * 0.052, 0, 0, 7);
  fillWith(ctx, hsl(hue, 30, 14));
  ctx.lineWidth = size * 0.016;
  ctx.strokeStyle = hsl(hue, 30, 80);
  ctx.stroke();
  ctx.restore();
}

/** A standing paper packet with a drawn flower, a little turned. No words: they would need a language. */
export function seedPacket(
  ctx: Ctx,
  x: number,
  y: number,
  size: number,
  hue: number,
  petal: number,
  turn: number,
): void {
  soft(ctx, size * 0.03, (ctx) => {
    ctx.beginPath();
    ctx.ellipse(x + size * 0.1, y, size * 0.36, size * 0.04, 0, 0, 7);
    fillWith(ctx, "rgba(28, 16, 8, 0.55)");
  });
  ctx.save();
  ctx.translate(x, y);
  ctx.transform(1, turn, 0, 1, 0, 0);
  const [left, top, width, height] = [-size * 0.31, -size * 0.9, size * 0.62, size * 0.9];
  ctx.beginPath();
  ctx.roundRect(left, top, width, height, size * 0.012);
  fillWith(
    ctx,
    linear(ctx, left, top, left + width, 0, [
      [0, hsl(hue, 40, 93)],
      [0.6, hsl(hue, 34, 86)],
      [1, hsl(hue - 8, 26, 70)],
    ]),
  );
  ctx.save();
  ctx.clip();
  ctx.beginPath();
  ctx.rect(left, top + height * 0.78, width, height * 0.22);
  fillWith(
    ctx,
    linear(ctx, left, 0, left + width, 0, [
      [0, hsl(petal, 46, 52)],
      [1, hsl(petal, 46, 36)],
    ]),
  );
  ctx.fillStyle = hsl(hue, 40, 40, 0.25);
  ctx.fillRect(left, top + height * 0.07, width, size * 0.006);
  ctx.restore();
  const centre = { x: left + width * 0.5, y: top + height * 0.36 };
  ctx.beginPath();
  ctx.moveTo(centre.x, centre.y);
  ctx.quadraticCurveTo(centre.x + size * 0.03, centre.y + size * 0.2, centre.x - size * 0.01, top + height * 0.78);
  ctx.lineWidth = size * 0.016;
  ctx.strokeStyle = hsl(100, 34, 40);
  ctx.stroke();
  for (let ring = 0; ring < 2; ring++)
    for (let index = 0; index < 11; index++) {
      ctx.save();
      ctx.translate(centre.x, centre.y);
      ctx.rotate((index / 11) * Math.PI * 2 + ring * 0.28);
      ctx.beginPath();
      ctx.ellipse(0, -size * (0.13 - ring * 0.04), size * 0.032, size * (0.085 - ring * 0.02), 0, 0, 7);
      fillWith(
        ctx,
        linear(ctx, 0, 0, 0, -size * 0.2, [
          [0, hsl(petal - 10, 70, 46)],
          [1, hsl(petal + 14, 78, 70)],
        ]),
      );
      ctx.restore();
    }
  ctx.beginPath();
  ctx.arc(centre.x, centre.y, size * 0.045, 0, 7);
  fillWith(ctx, hsl(42, 80, 46));
  ctx.restore();
}

/** A soft paper sack of compost, folded open, with a scoop of dark soil on top. */
export function sack(ctx: Ctx, x: number, y: number, size: number, random: Random): void {
  groundShadow(ctx, x, y, size * 0.9);
  ctx.beginPath();
  ctx.moveTo(x - size * 0.4, y - size * 0.92);
  ctx.bezierCurveTo(x - size * 0.52, y - size * 0.5, x - size * 0.5, y - size * 0.1, x - size * 0.42, y);
  ctx.bezierCurveTo(x - size * 0.2, y + size * 0.05, x + size * 0.2, y + size * 0.05, x + size * 0.42, y);
  ctx.bezierCurveTo(x + size * 0.5, y - size * 0.14, x + size * 0.5, y - size * 0.5, x + size * 0.4, y - size * 0.92);
  ctx.closePath();
  fillWith(
    ctx,
    linear(ctx, x - size / 2, 0, x + size / 2, 0, [
      [0, "#8d6a45"],
      [0.25, "#d9b98c"],
      [0.5, "#c19a68"],
      [1, "#654629"],
    ]),
  );
  ctx.save();
  ctx.clip();
  soft(ctx, size * 0.008, (ctx) => {
    for (let crease = 0; crease < 26; crease++) {
      const from = { x: x + random.between(-0.4, 0.4) * size, y: y - random.between(0.1, 0.85) * size };
      ctx.beginPath();
      ctx.moveTo(from.x, from.y);
      ctx.quadraticCurveTo(
        from.x + random.between(-0.1, 0.1) * size,
        from.y + size * 0.1,
        from.x + random.between(-0.06, 0.06) * size,
        from.y + size * random.between(0.1, 0.3),
      );
      ctx.lineWidth = size * random.between(0.006, 0.02);
      ctx.strokeStyle = random.next() < 0.5 ? "rgba(70, 40, 14, 0.22)" : "rgba(255, 232, 190, 0.24)";
      ctx.stroke();
    }
  });
  const label = { x: x - size * 0.22, y: y - size * 0.62, width: size * 0.44, height: size * 0.36 };
  ctx.beginPath();
  ctx.rect(label.x, label.y, label.width, label.height);
  fillWith(
    ctx,
    linear(ctx, label.x, 0, label.x + label.width, 0, [
      [0, "#2f6b4f"],
      [1, "#1f4a37"],
    ]),
  );
  for (const turn of [-0.62, 0, 0.62]) {
    ctx.save();
    ctx.translate(x, label.y + label.height * 0.82);
    ctx.rotate(turn);
    ctx.beginPath();
    ctx.ellipse(0, -size * 0.12, size * 0.04, size * 0.12, 0, 0, 7);
    fillWith(ctx, turn === 0 ? "#e9dcae" : "#b9cf9a");
    ctx.restore();
  }
  ctx.restore();
  for (let crumb = 0; crumb < 420; crumb++) {
    const angle = random.between(0, 7);
    const reach = Math.sqrt(random.next());
    ctx.beginPath();
    ctx.arc(
      x + Math.cos(angle) * reach * size * 0.39,
      y - size * 0.93 + Math.sin(angle) * reach * size * 0.075 - (1 - reach) * size * 0.07,
      size * random.between(0.006, 0.017),
      0,
      7,
    );
    fillWith(ctx, hsl(random.between(18, 32), 34, random.between(8, 27)));
  }
  ctx.beginPath();
  ctx.ellipse(x, y - size * 0.925, size * 0.405, size * 0.08, 0, 0, Math.PI);
  ctx.lineWidth = size * 0.034;
  ctx.strokeStyle = "#d8b88a";
  ctx.stroke();
}
