import { translation } from "../geometry/affine";
import { rect } from "../geometry/rect";
import { changedArea } from "./changedArea";
import { type DisplayNode, type FillNode, type LayerNode } from "./displayList";

const fill = (x: number, y: number, ink = "#112233"): FillNode => ({ kind: "fill", place: rect(x, y, 100, 50), ink });
const [ground, card, word] = [fill(0, 0), fill(200, 0), fill(0, 300)];

test("nothing differs between the same nodes, nor between new ones that say the same", () => {
  expect(changedArea([ground, card], [ground, card])).toBeNull();
  expect(changedArea([ground, card], [{ ...ground }, { ...card, place: { ...card.place } }])).toBeNull();
});

test("what moved differs where it was and where it is; what it stands on and before does not", () => {
  expect(changedArea([ground, word, card], [ground, fill(0, 340), card])).toEqual(rect(0, 300, 100, 90));
});

test("what came, went, or changed its place in the order differs where it is", () => {
  expect(changedArea([ground, card], [ground, word, card])).toEqual(word.place);
  expect(changedArea([ground, word, card], [ground, card])).toEqual(word.place);
  expect(changedArea([word, card], [card, word])).toEqual(rect(0, 0, 300, 350));
  expect(changedArea([], [card])).toEqual(card.place);
});

const faded = (alpha: number, children: readonly DisplayNode[]): DisplayNode => ({
  ...{ kind: "transformed", alpha, map: translation(500, 0), children },
});

test("of what is moved, only what changed in it differs, unless it fades as well", () => {
  const area = changedArea([faded(1, [ground, word])], [faded(1, [{ ...ground }, fill(0, 300, "#445566")])]);
  // Four units more, for edges that are soft before they are mapped.
  expect(area).toEqual(rect(496, 296, 108, 58));
  expect(changedArea([faded(1, [ground, word])], [faded(0.9, [ground, word])])).toEqual(rect(496, -4, 108, 358));
});

test("what is cut away does not differ, and a blur reaches farther", () => {
  const cut = (ink: string): DisplayNode => ({
    ...{ kind: "clipped", place: rect(0, 0, 40, 400), children: [fill(0, 300, ink), fill(200, 0, ink)] },
  });
  expect(changedArea([cut("#112233")], [cut("#445566")])).toEqual(rect(0, 300, 40, 50));
  const blurred = (ink: string): LayerNode => ({
    kind: "layer",
    alpha: 1,
    blur: 10,
    children: [ground, fill(200, 0, ink)],
  });
  expect(changedArea([blurred("#112233")], [blurred("#445566")])).toEqual(rect(170, -30, 160, 110));
});

test("of what holds still, all of its bounds differ", () => {
  const still = (ink: string): DisplayNode => ({
    kind: "still",
    bounds: rect(0, 0, 900, 400),
    children: [fill(0, 0, ink)],
  });
  expect(changedArea([still("#112233")], [still("#445566")])).toEqual(rect(0, 0, 900, 400));
});
