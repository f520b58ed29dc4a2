import { type Ctx, fillWith, groundShadow, hsl, linear, soft } from "./light";
import { type Random } from "../../server/shelf/random";

const TURN = Math.PI * 2;

/** A body of bread: lit from the upper left, darker at its foot, with the speckle of a crust. */
function crust(
  ctx: Ctx,
  x: number,
  y: number,
  width: number,
  height: number,
  hue: number,
  lightness: number,
  random: Random,
): void {
  ctx.save();
  ctx.beginPath();
  ctx.moveTo(x - width / 2, y - height * 0.2);
  ctx.bezierCurveTo(x - width * 0.56, y - height * 0.95, x - width * 0.26, y - height * 1.06, x, y - height * 1.05);
  ctx.bezierCurveTo(
    x + width * 0.28,
    y - height * 1.05,
    x + width * 0.56,
    y - height * 0.92,
    x + width / 2,
    y - height * 0.2,
  );
  ctx.bezierCurveTo(
    x + width * 0.48,
    y + height * 0.04,
    x - width * 0.48,
    y + height * 0.04,
    x - width / 2,
    y - height * 0.2,
  );
  ctx.closePath();
  const body = ctx.createRadialGradient(
    x - width * 0.18,
    y - height * 0.82,
    width * 0.04,
    x,
    y - height * 0.45,
    width * 0.66,
  );
  body.addColorStop(0, hsl(hue + 8, 68, lightness + 26));
  body.addColorStop(0.45, hsl(hue, 62, lightness + 4));
  body.addColorStop(1, hsl(hue - 8, 58, lightness - 20));
  ctx.fillStyle = body;
  ctx.fill();
  ctx.clip();
  soft(ctx, width * 0.025, (ctx) => {
    for (let patch = 0; patch < 36; patch++) {
      ctx.beginPath();
      ctx.ellipse(
        x + width * random.between(-0.5, 0.5),
        y - height * random.between(0, 1),
        width * random.between(0.02, 0.09),
        height * random.between(0.02, 0.07),
        random.next() * 3,
        0,
        TURN,
      );
      fillWith(
        ctx,
        random.next() < 0.55 ? hsl(hue - 8, 62, lightness - 18, 0.22) : hsl(hue + 10, 80, lightness + 30, 0.2),
      );
    }
  });
  for (let speck = 0; speck < 420; speck++) {
    ctx.beginPath();
    ctx.arc(
      x + width * random.between(-0.5, 0.5),
      y - height * random.between(0.1, 1.05),
      width * random.between(0.0008, 0.0028),
      0,
      TURN,
    );
    fillWith(ctx, random.next() < 0.7 ? hsl(40, 50, 94, random.between(0.15, 0.6)) : hsl(hue - 10, 60, 20, 0.35));
  }
  ctx.restore();
}

/** A long loaf with floured cuts across. (x, y) is the middle of its foot. */
export function loaf(ctx: Ctx, x: number, y: number, size: number, random: Random, hue = 26, lightness = 40): void {
  const height = size * 0.52;
  groundShadow(ctx, x, y - height * 0.07, size);
  crust(ctx, x, y, size, height, hue, lightness, random);
  for (let cut = 0; cut < 5; cut++) {
    const at = x - size * 0.3 + cut * size * 0.145;
    ctx.save();
    ctx.translate(at, y - height * (0.62 + 0.08 * Math.sin(cut * 0.8 + 0.1)));
    ctx.rotate(-0.62);
    ctx.beginPath();
    ctx.ellipse(0, 0, size * 0.028, height * 0.23, 0, 0, TURN);
    fillWith(
      ctx,
      linear(ctx, -size * 0.03, 0, size * 0.03, 0, [
        [0, hsl(34, 62, 84)],
        [0.55, hsl(36, 60, 74)],
        [1, hsl(26, 56, 40)],
      ]),
    );
    ctx.beginPath();
    ctx.ellipse(size * 0.02, 0, size * 0.012, height * 0.23, 0, 0, TURN);
    fillWith(ctx, hsl(20, 60, 24, 0.55));
    ctx.restore();
  }
}

/** A round bun with seeds on top. */
export function bun(ctx: Ctx, x: number, y: number, size: number, random: Random, hue = 30, lightness = 48): void {
  const height = size * 0.62;
  groundShadow(ctx, x, y - height * 0.06, size * 0.92);
  crust(ctx, x, y, size, height, hue, lightness, random);
  for (let seed = 0; seed < 64; seed++) {
    const [turn, reach] = [random.next() * TURN, Math.sqrt(random.next())];
    ctx.save();
    ctx.translate(
      x - size * 0.02 + Math.cos(turn) * reach * size * 0.34,
      y - height * 0.78 + Math.sin(turn) * reach * height * 0.24,
    );
    ctx.rotate(random.next() * 3);
    ctx.beginPath();
    ctx.ellipse(0, 0, size * 0.014, size * 0.0075, 0, 0, TURN);
    fillWith(ctx, hsl(42, 62, random.between(78, 92)));
    ctx.restore();
  }
}

/** A card box with a handle cut out, open at the top, its band in a colour. Things stand in it through `inside`. */
export function cardBox(
  ctx: Ctx,
  x: number,
  y: number,
  width: number,
  height: number,
  hue: number,
  inside: () => void,
): void {
  groundShadow(ctx, x, y, width);
  ctx.beginPath();
  ctx.rect(x - width * 0.46, y - height * 1.06, width * 0.92, height * 0.3);
  fillWith(ctx, hsl(30, 34, 36));
  inside();
  ctx.beginPath();
  ctx.moveTo(x - width / 2, y - height);
  ctx.lineTo(x + width / 2, y - height);
  ctx.lineTo(x + width * 0.47, y);
  ctx.lineTo(x - width * 0.47, y);
  ctx.closePath();
  fillWith(
    ctx,
    linear(ctx, x - width / 2, 0, x + width / 2, 0, [
      [0, hsl(36, 46, 82)],
      [0.5, hsl(34, 44, 74)],
      [1, hsl(28, 36, 54)],
    ]),
  );
  ctx.beginPath();
  ctx.moveTo(x - width * 0.492, y - height * 0.62);
  ctx.lineTo(x + width * 0.492, y - height * 0.62);
  ctx.lineTo(x + width * 0.484, y - height * 0.36);
  ctx.lineTo(x - width * 0.484, y - height * 0.36);
  ctx.closePath();
  fillWith(
    ctx,
    linear(ctx, x - width / 2, 0, x + width / 2, 0, [
      [0, hsl(hue, 58, 46)],
      [1, hsl(hue - 6, 60, 30)],
    ]),
  );
  ctx.beginPath();
  ctx.ellipse(x, y - height * 0.83, width * 0.12, height * 0.05, 0, 0, TURN);
  fillWith(ctx, hsl(26, 40, 24, 0.75));
}
