import fc from "fast-check";
import { type PictureFacts } from "../document/facts";
import { type Affine, after, leastScale, scaling, turning } from "../geometry/affine";
import { type Rect, centreOf, rect } from "../geometry/rect";
import { type LookupTable, compileTable } from "../grading/lookupTable";
import { type Shape } from "../placement/formats";
import {
  BLENDS,
  type DisplayList,
  type DisplayNode,
  type LayerNode,
  type LinearGradient,
  type Mask,
  type PictureNode,
  type RadialGradient,
} from "../scene/displayList";
import { TEXTURES } from "../picture/textures";
import { containNode, coverNode, drawnSmaller } from "../scene/pictureNodes";
import { cutCard, ellipse, polygon } from "../type/outline";

const TABLES: readonly LookupTable[] = [
  compileTable("grey", ([red, green, blue]) => {
    const grey = 0.2126 * red + 0.7152 * green + 0.0722 * blue;
    return [grey, grey, grey];
  }),
  compileTable("warm", ([red, green, blue]) => [red ** 0.8, green * 0.96, blue ** 1.25]),
];

/**
 * Stills of everything the painter can paint: pictures with and without colour tables, grounds and shapes; turned,
 * mirrored, cut, masked, blended and nested. The same seed gives the same stills wherever it is asked for.
 */
export const anyStills = (
  shape: Shape,
  pictures: readonly PictureFacts[],
  { seed, count }: { readonly seed: number; readonly count: number },
): DisplayList[] => fc.sample(anyStill(shape, pictures), { seed, numRuns: count });

function anyStill(shape: Shape, pictures: readonly PictureFacts[]): fc.Arbitrary<DisplayList> {
  const place = anyPlace(shape);
  const whole = rect(0, 0, shape.width, shape.height);
  const { node } = fc.letrec<{ node: DisplayNode }>((tie) => ({
    node: fc.oneof(
      { maxDepth: 3, withCrossShrink: true },
      leaf(place, pictures),
      leaf(place, pictures),
      transformed(tie("node"), place),
      layered(tie("node"), place),
      fc.tuple(place, tie("node")).map(([at, node]): DisplayNode => ({ kind: "clipped", place: at, children: [node] })),
    ),
  }));
  return fc
    .tuple(
      fc.constantFrom(...pictures),
      fc.array(node, { minLength: 2, maxLength: 5 }),
      fc.array(anyTexture(place), { maxLength: 1 }),
    )
    .map(([ground, nodes, over]): DisplayList => [coverNode(ground, whole), ...nodes, ...over]);
}

/** Somewhere in the shape, or a little over its edges. */
const anyPlace = ({ width, height }: Shape): fc.Arbitrary<Rect> =>
  fc
    .tuple(fc.integer({ min: -100, max: width - 100 }), fc.integer({ min: -100, max: height - 100 }))
    .chain(([x, y]) =>
      fc
        .tuple(fc.integer({ min: 200, max: width }), fc.integer({ min: 200, max: height }))
        .map(([w, h]) => rect(x, y, w, h)),
    );

const anyColor = fc.constantFrom("#2b5f47", "#c9603a", "#f4efe2", "rgba(31, 42, 36, 0.5)", "rgba(255, 250, 240, 0.8)");

const anyGradient = (place: Rect, from: string, to: string): LinearGradient => ({
  from: { x: place.x, y: place.y },
  to: { x: place.x + place.width, y: place.y + place.height },
  stops: [
    [0, from],
    [1, to],
  ],
});

/** A texture over what is there. It is never drawn smaller than while something pops in. */
const anyTexture = (place: fc.Arbitrary<Rect>): fc.Arbitrary<DisplayNode> =>
  fc
    .tuple(place, fc.constantFrom(...TEXTURES), fc.constantFrom(0, 0.25, 0.618), fc.constantFrom(...BLENDS))
    .map(([at, name, by, blend]) => ({
      kind: "layer",
      alpha: 0.5,
      blend,
      children: [{ kind: "texture", texture: name, place: at, offset: { x: by, y: 1 - by } }],
    }));

const anyRadial = (place: Rect, from: string, to: string): RadialGradient => ({
  centre: centreOf(place),
  radius: Math.max(place.width, place.height) / 2,
  stops: [
    [0, from],
    [0.6, to],
    [1, "rgba(0, 0, 0, 0)"],
  ],
});

const anyPicture = (place: fc.Arbitrary<Rect>, pictures: readonly PictureFacts[]): fc.Arbitrary<PictureNode> =>
  fc
    .tuple(fc.constantFrom(...pictures), place, fc.boolean(), fc.option(fc.constantFrom(...TABLES), { freq: 2 }))
    .map(([picture, at, covers, table]) => ({
      ...(covers ? coverNode(picture, at) : containNode(picture, at)),
      ...(table ? { table } : {}),
    }));

function leaf(place: fc.Arbitrary<Rect>, pictures: readonly PictureFacts[]): fc.Arbitrary<DisplayNode> {
  const fill = fc.tuple(place, anyColor).map(([at, ink]): DisplayNode => ({ kind: "fill", place: at, ink }));
  const graded = fc
    .tuple(place, anyColor, anyColor)
    .map(([at, from, to]): DisplayNode => ({ kind: "fill", place: at, ink: anyGradient(at, from, to) }));
  const radial = fc
    .tuple(place, anyColor, anyColor)
    .map(([at, from, to]): DisplayNode => ({ kind: "fill", place: at, ink: anyRadial(at, from, to) }));
  const shape = fc
    .tuple(anyOutline(place), anyColor)
    .map(([outline, ink]): DisplayNode => ({ kind: "shape", outline, at: { x: 0, y: 0 }, ink }));
  return fc.oneof(anyPicture(place, pictures), anyPicture(place, pictures), fill, graded, radial, shape);
}

const anyOutline = (place: fc.Arbitrary<Rect>): fc.Arbitrary<readonly number[]> =>
  fc.tuple(place, fc.nat(2)).map(([at, which]) => {
    if (which === 0) return cutCard(at, Math.min(at.width, at.height) / 5);
    if (which === 1) return ellipse(at);
    const { x, y } = centreOf(at);
    return polygon(x, at.y, at.x + at.width, y, x, at.y + at.height, at.x, y);
  });

/** Turned by whole degrees, mirrored or not, larger or smaller. */
function transformed(child: fc.Arbitrary<DisplayNode>, place: fc.Arbitrary<Rect>): fc.Arbitrary<DisplayNode> {
  return fc
    .tuple(
      child,
      place,
      fc.integer({ min: 0, max: 359 }),
      fc.constantFrom(1, -1),
      fc.constantFrom(0.5, 0.8, 1, 1.3),
      fc.constantFrom(1, 0.6),
    )
    .map(([node, at, degrees, mirror, scale, alpha]) => {
      const about = centreOf(at);
      const map = after(turning(degrees, about), scaling(scale * mirror, scale, about));
      return { kind: "transformed", alpha, map, children: [drawnUnder(node, map)] };
    });
}

/** A node whose pictures take the working copy for the size that they are drawn at under a map. */
const drawnUnder = (node: DisplayNode, map: Affine): DisplayNode =>
  "children" in node
    ? { ...node, children: node.children.map((child) => drawnUnder(child, map)) }
    : drawnSmaller(node, leastScale(map));

function layered(child: fc.Arbitrary<DisplayNode>, place: fc.Arbitrary<Rect>): fc.Arbitrary<DisplayNode> {
  const mask: fc.Arbitrary<Mask> = fc.oneof(
    anyOutline(place).map((outline): Mask => ({ kind: "outline", outline, at: { x: 0, y: 0 } })),
    place.map((at): Mask => ({
      kind: "gradient",
      place: at,
      gradient: anyGradient(at, "rgba(0, 0, 0, 0)", "rgba(0, 0, 0, 1)"),
    })),
  );
  return fc
    .tuple(
      fc.array(child, { minLength: 1, maxLength: 2 }),
      fc.constantFrom(1, 0.5),
      fc.option(fc.constantFrom(...BLENDS)),
      fc.option(mask),
    )
    .map(([children, alpha, blend, cut]): LayerNode => ({
      kind: "layer",
      alpha,
      ...(blend ? { blend } : {}),
      ...(cut ? { mask: cut } : {}),
      children,
    }));
}
