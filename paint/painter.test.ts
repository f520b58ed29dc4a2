import { type DisplayList, type DisplayNode, type PictureNode, type StillNode } from "../core/scene/displayList";
import { translation } from "../core/geometry/affine";
import { type Rect } from "../core/geometry/rect";
import { createPainter } from "./painter";
import { type PaintResources } from "./resources";
import { nodeSurface } from "../server/render/nodeResources";
import { resourcesWith } from "../server/testing/painting";

const FORMAT = { width: 1920, height: 1080 };
const WHOLE = { x: 0, y: 0, width: 1920, height: 1080 };

function plain(width: number, height: number, color: string): CanvasImageSource {
  const { canvas, image } = nodeSurface(width, height);
  const context = canvas.getContext("2d");
  context.fillStyle = color;
  context.fillRect(0, 0, width, height);
  return image;
}

let made = 0;
function resources(picture: () => CanvasImageSource | null): PaintResources {
  made = 0;
  return {
    ...resourcesWith(picture),
    surface(width, height) {
      made++;
      return nodeSurface(width, height);
    },
  };
}

const picture: PictureNode = {
  kind: "picture",
  media: "m",
  width: 800,
  height: 450,
  levels: 1,
  part: { x: 0, y: 0, width: 800, height: 450 },
  place: WHOLE,
  leastScale: 2.4,
};

function painted(
  list: DisplayList,
  size = { width: 854, height: 480 },
  from = resources(() => plain(800, 450, "#ff0000")),
): (x: number, y: number) => number[] {
  const target = nodeSurface(size.width, size.height);
  createPainter(FORMAT, size, from).paint(list, target.context);
  return (x, y) => [...target.canvas.getContext("2d").getImageData(x, y, 1, 1).data];
}

test.each([
  [854, 480],
  [853, 480],
  [640, 360],
  [401, 227],
  [1920, 1080],
])("a covering picture reaches every edge at %d × %d", (width, height) => {
  const at = painted([picture], { width, height });
  for (const [x, y] of [
    [0, 0],
    [width - 1, 0],
    [0, height - 1],
    [width - 1, height - 1],
  ] as const)
    expect(at(x, y)).toEqual([255, 0, 0, 255]);
});

test("a picture and the panel beside it share their edge: no seam between them", () => {
  for (const width of [641, 854, 1000]) {
    const split = 864;
    const at = painted(
      [
        { ...picture, place: { x: split, y: 0, width: 1920 - split, height: 1080 } },
        { kind: "fill", place: { x: 0, y: 0, width: split, height: 1080 }, ink: "#00ff00" },
      ],
      { width, height: Math.round((width * 9) / 16) },
    );
    const edge = Math.round((split * width) / 1920);
    expect([at(edge - 1, 5), at(edge, 5)]).toEqual([
      [0, 255, 0, 255],
      [255, 0, 0, 255],
    ]);
  }
});

test("a coming scene is laid over as one: half way is the mean, whatever it is made of", () => {
  const green = { kind: "fill", place: WHOLE, ink: "#00ff00" } as const;
  const at = painted([
    picture,
    { kind: "layer", alpha: 0.5, children: [{ kind: "fill", place: WHOLE, ink: "#0000ff" }, green] },
  ]);
  const [red = 0, mixed = 0, blue = 0] = at(400, 200);
  // Source-over of W3C Compositing 1 gives 127.5 for both; eight-bit alpha rounds twice.
  expect(Math.abs(red - 127.5)).toBeLessThanOrEqual(2);
  expect(Math.abs(mixed - 127.5)).toBeLessThanOrEqual(2);
  expect(blue).toBe(0);
});

test("a layer inside a layer leaves alone what lies under it: a see-through mark in a crossfade", () => {
  const mark: DisplayNode = {
    kind: "layer",
    alpha: 0.5,
    children: [{ kind: "fill", place: { x: 960, y: 0, width: 960, height: 1080 }, ink: "#0000ff" }],
  };
  const coming: DisplayNode = {
    kind: "layer",
    alpha: 0.5,
    children: [{ kind: "fill", place: WHOLE, ink: "#00ff00" }, mark],
  };
  const at = painted([picture, coming, mark]);
  // By source-over of W3C Compositing 1: left, red under half of green; right, the same with a mark in each scene.
  const near = (found: number[], wanted: number[]): void =>
    found.forEach((value, index) => expect(Math.abs(value - (wanted[index] ?? 0))).toBeLessThanOrEqual(2));
  near(at(100, 200), [127.5, 127.5, 0, 255]);
  near(at(700, 200), [63.75, 31.875, 159.375, 255]);
});

test("layers are laid over each other three deep, each on a surface of its own, kept for the next frame", () => {
  const deep = (depth: number): DisplayNode => ({
    kind: "layer",
    alpha: 0.5,
    children: [{ kind: "fill", place: WHOLE, ink: "#ffffff" }, ...(depth > 1 ? [deep(depth - 1)] : [])],
  });
  const target = nodeSurface(96, 54);
  const painter = createPainter(
    FORMAT,
    target,
    resources(() => null),
  );
  for (let frame = 0; frame < 3; frame++) painter.paint([deep(3), deep(2)], target.context);
  // One more for the frame itself, and one for the ground that they have in common.
  expect(made).toBe(5);
});

test("what fades while it moves takes its layers along", () => {
  const layer: DisplayNode = { kind: "layer", alpha: 0.5, children: [{ kind: "fill", place: WHOLE, ink: "#ffffff" }] };
  const at = painted([{ kind: "transformed", alpha: 0.5, map: translation(0, 0), children: [layer] }]);
  expect(Math.abs((at(100, 100)[0] ?? 0) - 63.75)).toBeLessThanOrEqual(2);
});

test("a clip that is used twice in one frame shows the frame of each use", () => {
  const colors: Readonly<Record<string, string>> = { "first.clip": "#ff0000", "second.clip": "#00ff00" };
  const from: PaintResources = {
    ...resources(() => null),
    clipFrame: ({ use }) => ({ image: plain(16, 9, colors[use] ?? "#000000"), width: 16, height: 9 }),
  };
  const clip = (use: string, x: number): DisplayNode => ({
    kind: "clip",
    media: "the same",
    use,
    width: 1600,
    height: 900,
    frame: 7,
    part: { x: 0, y: 0, width: 1600, height: 900 },
    place: { x, y: 0, width: 960, height: 1080 },
  });
  const at = painted([clip("first.clip", 0), clip("second.clip", 960)], { width: 854, height: 480 }, from);
  expect([at(100, 100), at(700, 100)]).toEqual([
    [255, 0, 0, 255],
    [0, 255, 0, 255],
  ]);
});

/** A scene set anew: every node is another object each time. */
const setAnew = (place: Rect, media: string): StillNode => ({
  kind: "still",
  bounds: { ...place },
  children: [{ ...picture, media, place: { ...place } }],
});
const LEFT = { x: 0, y: 0, width: 960, height: 1080 };
const RIGHT = { x: 960, y: 0, width: 960, height: 1080 };

test("what holds still is rasterised once, and so is what looks just like it; what looks otherwise never is taken for it", () => {
  const asked: string[] = [];
  const colors: Readonly<Record<string, string>> = { red: "#ff0000", green: "#00ff00" };
  const from: PaintResources = {
    ...resources(() => null),
    picture: ({ media }) => {
      asked.push(media);
      return plain(800, 450, colors[media] ?? "#000000");
    },
  };
  const target = nodeSurface(960, 540);
  const painter = createPainter(FORMAT, target, from);
  const still = setAnew(LEFT, "red");
  const [red, green] = [
    [255, 0, 0, 255],
    [0, 255, 0, 255],
  ];
  const frames: [StillNode[], string[], typeof red][] = [
    [[still], ["red"], red],
    [[still], [], red],
    [[setAnew(LEFT, "red")], [], red],
    // The same picture elsewhere, and another in the same place.
    [[setAnew(LEFT, "red"), setAnew(RIGHT, "red")], ["red"], red],
    [[setAnew(LEFT, "green"), setAnew(RIGHT, "red")], ["green"], green],
    [[setAnew(LEFT, "red"), setAnew(RIGHT, "red")], [], red],
  ];
  for (const [list, wanted, color] of frames) {
    painter.paint(list, target.context);
    expect(asked.splice(0)).toEqual(wanted);
    expect([...target.canvas.getContext("2d").getImageData(100, 100, 1, 1).data]).toEqual(color);
  }
});

test("a still whose place was given to others is rasterised again, whoever looks like it", () => {
  let asked = 0;
  const from: PaintResources = {
    ...resources(() => null),
    picture: () => {
      asked++;
      return plain(800, 450, "#ff0000");
    },
  };
  const target = nodeSurface(96, 54);
  const painter = createPainter(FORMAT, target, from);
  const first = setAnew(WHOLE, "first");
  painter.paint([first], target.context);
  painter.paint([setAnew(WHOLE, "first")], target.context);
  expect(asked).toBe(1);
  for (let other = 0; other < 20; other++) painter.paint([setAnew(WHOLE, `other ${other}`)], target.context);
  const twin = setAnew(WHOLE, "first");
  painter.paint([twin], target.context);
  painter.paint([twin, first], target.context);
  expect(asked).toBe(22);
});

test("a still that lacks a picture is not kept: it is whole as soon as the picture is there", () => {
  let here: CanvasImageSource | null = null;
  const still: StillNode = { kind: "still", bounds: WHOLE, children: [picture] };
  const target = nodeSurface(960, 540);
  const painter = createPainter(
    FORMAT,
    target,
    resources(() => here),
  );
  painter.paint([still], target.context);
  expect([...target.canvas.getContext("2d").getImageData(480, 270, 1, 1).data]).toEqual([0, 0, 0, 255]);
  here = plain(800, 450, "#ff0000");
  painter.paint([still], target.context);
  expect([...target.canvas.getContext("2d").getImageData(480, 270, 1, 1).data]).toEqual([255, 0, 0, 255]);
});

test("a blur reaches the edges of its place: no fading frame around it", () => {
  const at = painted([{ ...picture, blur: 28 }]);
  for (const [x, y] of [
    [0, 0],
    [853, 479],
    [400, 0],
  ] as const)
    expect(at(x, y)).toEqual([255, 0, 0, 255]);
});

test.each([
  [854, 480],
  [853, 480],
  [427, 240],
  [1920, 1080],
])("two scenes that push each other meet without a seam at %d × %d", (width, height) => {
  const scene = (ink: string): DisplayList => [{ kind: "fill", place: WHOLE, ink }];
  const moved = (dx: number, ink: string) =>
    ({ kind: "transformed", alpha: 1, map: translation(dx, 0), whole: true, children: scene(ink) }) as const;
  for (const by of [1, 333, 777, 1250, 1919]) {
    const at = painted([moved(-by, "#ff0000"), moved(1920 - by, "#00ff00")], { width, height });
    const row = Array.from({ length: width }, (_, x) => at(x, height >> 1).join());
    expect(new Set(row)).toEqual(new Set(["255,0,0,255", "0,255,0,255"].filter((color) => row.includes(color))));
    expect(Math.abs(row.lastIndexOf("255,0,0,255") + 1 - ((1920 - by) * width) / 1920)).toBeLessThanOrEqual(1);
  }
});

const words = (ink: string): DisplayNode => ({
  kind: "still",
  bounds: { x: 400, y: 400, width: 300, height: 200 },
  children: [{ kind: "fill", place: { x: 400, y: 400, width: 300, height: 200 }, ink }],
});
/** All pixels of a frame that a painter gives after some others, at 480p. */
function lastOf(lists: readonly DisplayList[], from: PaintResources): Buffer {
  const size = { width: 854, height: 480 };
  const painter = createPainter(FORMAT, size, from);
  const target = nodeSurface(size.width, size.height);
  for (const list of lists) painter.paint(list, target.context);
  return target.canvas.data();
}
const shown = { ...picture, place: { x: 0, y: 0, width: 1400, height: 1080 } };

test("while frames begin alike their ground is painted once, and no pixel differs from one that is painted alone", () => {
  let asked = 0;
  const counted = resources(() => {
    asked++;
    return plain(800, 450, "#ff0000");
  });
  const frames = ["#00ff00", "#0000ff", "#ffff00", "#00ffff"].map((ink): DisplayList => [shown, words(ink)]);
  const last = lastOf(frames, counted);
  expect(asked).toBe(2);
  expect(last.equals(lastOf(frames.slice(-1), counted))).toBe(true);
});

test("a ground that changes, comes back, or loses what lay under it is never shown as it was", () => {
  const moved = { ...shown, place: { x: 300, y: 0, width: 1400, height: 1080 } };
  const from = resources(() => plain(800, 450, "#ff0000"));
  const alike = [shown, words("#00ff00")];
  const turns: DisplayList[] = [alike, alike, [moved, words("#00ff00")], [moved], [words("#00ff00")], alike, [shown]];
  turns.forEach((list, turn) => {
    expect(lastOf(turns.slice(0, turn + 1), from).equals(lastOf([list], from))).toBe(true);
  });
});

test("a ground whose picture was not there yet is painted anew once it is", () => {
  let isHere = false;
  const from = resources(() => (isHere ? plain(800, 450, "#ff0000") : null));
  const size = { width: 854, height: 480 };
  const painter = createPainter(FORMAT, size, from);
  const target = nodeSurface(size.width, size.height);
  const red = (): number => target.canvas.getContext("2d").getImageData(50, 50, 1, 1).data[0] ?? 0;
  for (let time = 0; time < 3; time++) painter.paint([shown, words("#00ff00")], target.context);
  expect(red()).toBe(0);
  isHere = true;
  painter.paint([shown, words("#00ff00")], target.context);
  expect(red()).toBe(255);
});
