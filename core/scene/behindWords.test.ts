import { newArrangement } from "../document/arrangements";
import { adjust, applyEdit } from "../document/edits";
import { type Edit } from "../document/edit";
import { resolvePromotion } from "../document/resolve";
import { TONES_LENGTH } from "../picture/tones";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts, testPicture } from "../testing/promotions";
import { everyNode } from "./displayList";
import { preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
/** A first scene over a picture that is dark all over, where light words need nothing behind them. */
async function over(...edits: readonly Edit[]) {
  const dark = testPicture({ tones: ["202020".repeat(TONES_LENGTH / 6)] });
  const facts = testFacts();
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), {
    ...facts,
    media: { ...facts.media, [dark.id]: dark },
    product: facts.product && { ...facts.product, picture: dark.id },
  });
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const scene = defined(preparePromotion(promotion, "square", book).scenes[0]);
  const nodes = scene.parts.flatMap((part) =>
    part.kind === "fixed" ? [part.node] : part.kind === "media" ? part.track.map(({ what }) => what.atRest) : [],
  );
  const blurs = [...everyNode(nodes)].flatMap((node) => (node.kind === "picture" && node.blur ? [node.blur] : []));
  return { backing: scene.slots.find(({ backing }) => backing)?.backing, blurs };
}
const target = { scene: "hook" };
const blurred = adjust("arrangement", { ...newArrangement("full-picture"), backing: "blur" }, { target });

test("words on a picture have the shade they need; one that is asked for is kept, light or heavy", async () => {
  expect((await over()).backing).toMatchObject({ kind: "plain", alpha: 0 });
  expect((await over(adjust("shade", 0.6, { target }))).backing).toMatchObject({ kind: "shade", alpha: 0.6 });
  // So heavy a shade would be a panel if nobody had asked for it.
  expect((await over(adjust("shade", 0.95, { target }))).backing).toMatchObject({ kind: "shade", alpha: 0.95 });
  const heavy = (await over(blurred)).backing?.alpha ?? 0;
  expect(heavy).toBeGreaterThan(0);
  expect((await over(blurred, adjust("shade", 0, { target }))).backing?.alpha).toBe(0);
});

test("what is blurred behind words is as blurred as somebody says; none leaves it sharp", async () => {
  expect((await over(blurred)).blurs).toEqual([28]);
  expect((await over(blurred, adjust("blur", 50, { target }))).blurs).toEqual([50]);
  expect((await over(blurred, adjust("blur", 0, { target }))).blurs).toEqual([]);
});
