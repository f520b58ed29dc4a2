import fc from "fast-check";
import { applyEdit, inverseOf } from "../document/edits";
import { mediaFill } from "../document/shots";
import { resolvePromotion } from "../document/resolve";
import { shotOn, shotTrack } from "../scene/shotTrack";
import { scenesInOrder } from "../document/sceneList";
import { defined } from "../testing/defined";
import { CLIP_ID, PICTURE_ID, testDocument, testFacts } from "../testing/promotions";
import { ticks, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { splitScene } from "./splitScene";

const withClip = testDocument({
  adjustments: { hook: { length: millis(3500) } },
  fills: {
    "hook.picture": mediaFill(CLIP_ID),
    "hook.headline": { kind: "words", text: "Both have it" },
  },
});
/** The frame of the clip that is shown at a time of the promotion, in milliseconds. */
function frameAt(document: typeof withClip, ms: number): number | null {
  const { scenes, spans } = resolvePromotion(document, testFacts());
  const at = spans.findLastIndex(({ start }) => start <= ms);
  const [scene, span] = [defined(scenes[at]), defined(spans[at])];
  const shown = shotOn(
    shotTrack(scene.shots["picture"] ?? [], span.end - span.start),
    ticks(ticksOf(ms) - ticksOf(span.start)),
  );
  return shown?.frame ?? null;
}

test("a clip goes on over the split to the frame, the whole lasts as long as before, and undo takes it back", () => {
  const { scenes, length } = resolvePromotion(withClip, testFacts());
  const edit = defined(splitScene(withClip, { scene: defined(scenes[0]), next: scenes[1] }, 1500));
  const split = applyEdit(withClip, edit);
  expect(resolvePromotion(split, testFacts()).length).toBe(length);
  expect(scenesInOrder(split).map(({ id }) => id)).toEqual(["hook", "hook-2", "product", "offer", "sign-off"]);
  for (const ms of [0, 700, 1466, 1500, 1534, 2400, 2900])
    expect([ms, frameAt(split, ms)]).toEqual([ms, frameAt(withClip, ms)]);
  expect(split.fills["hook-2.headline"]).toEqual(withClip.fills["hook.headline"]);
  expect(split.adjustments["hook-2"]).toMatchObject({ length: 2000, overlap: 0 });
  expect(applyEdit(split, inverseOf(withClip, edit))).toEqual(withClip);
});

test("too near an end there is nothing to split; a still picture is in both", () => {
  const { scenes } = resolvePromotion(withClip, testFacts());
  expect(splitScene(withClip, { scene: defined(scenes[0]), next: scenes[1] }, 300)).toBeNull();
  expect(splitScene(withClip, { scene: defined(scenes[0]), next: scenes[1] }, 3200)).toBeNull();
  const product = defined(scenes[1]);
  const split = applyEdit(withClip, defined(splitScene(withClip, { scene: product, next: scenes[2] }, 2000)));
  const shown = resolvePromotion(split, testFacts()).scenes.slice(1, 3);
  expect(shown.map(({ shots }) => shots["picture"]?.map(({ media }) => media.id))).toEqual([
    product.shots["picture"]?.map(({ media }) => media.id),
    product.shots["picture"]?.map(({ media }) => media.id),
  ]);
});

test("wherever it stands, splitting gives a promotion or says there is nothing to split: pictures in quick succession too", () => {
  const quick = testDocument({
    fills: {
      "product.picture": {
        kind: "media",
        shots: Object.fromEntries(
          Array.from({ length: 6 }, (_, at) => [
            `shot-${at + 1}`,
            { order: `a${at}`, media: at % 2 ? CLIP_ID : PICTURE_ID, ...(at % 2 ? {} : { length: millis(120) }) },
          ]),
        ),
      },
    },
  });
  const { length, scenes } = resolvePromotion(quick, testFacts());
  const [product, next] = [defined(scenes[1]), scenes[2]];
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 4000 }), (passed) => {
      const edit = splitScene(quick, { scene: product, next }, passed);
      if (edit) expect(resolvePromotion(applyEdit(quick, edit), testFacts()).length).toBe(length);
    }),
    { numRuns: 300 },
  );
});
