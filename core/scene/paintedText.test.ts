import { newArrangement } from "../document/arrangements";
import { type ClipFacts } from "../document/facts";
import { mediaFill } from "../document/shots";
import { pathPoints } from "../geometry/subjectPath";
import { formatOf } from "../placement/formats";
import { testBook } from "../testing/fonts";
import { CLIP_ID, testClip, testFacts } from "../testing/promotions";
import { defined } from "../testing/defined";
import { sceneOf } from "../testing/scenes";
import { triedScenes } from "../testing/tried";
import { paintedText } from "./paintedText";
import { prepareIn } from "./preparePromotion";

const book = testBook();

/** What decides the pixels of a scene that a clip fills. */
async function textWith(change: Partial<ClipFacts>): Promise<string> {
  const media = { ...testFacts().media, [CLIP_ID]: testClip(change) };
  const fills = { "scene.picture-1": mediaFill(CLIP_ID) };
  const promotion = await triedScenes(book, [sceneOf(newArrangement("full-picture"))], fills, { media });
  const [scene] = prepareIn(promotion, formatOf("vertical"), null, book).scenes;
  return paintedText(defined(scene), { [CLIP_ID]: "f".repeat(64) });
}
const pathAt = (x: number) => ({ step: 5, pieces: [{ from: 0, points: pathPoints([{ x, y: 0.5 }]) }] });

test("a clip that follows another path is painted otherwise, so what was rendered before is not taken for it", async () => {
  const texts = await Promise.all([{}, { subject: pathAt(0.2) }, { subject: pathAt(0.8) }].map(textWith));
  expect(new Set(texts).size).toBe(3);
});

test("what a clip is called, and how good its pixels are, changes nothing that is painted", async () => {
  const plain = await textWith({});
  expect(await textWith({ name: "other.mp4", quality: { blur: 0.9, noise: 9, bands: 0.9 } })).toBe(plain);
});
