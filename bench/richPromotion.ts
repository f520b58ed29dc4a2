import { replaceCaptions, showCaptions } from "../core/document/captionEdits";
import { type Edit } from "../core/document/edit";
import { adjust, applyEdit, fillSlot } from "../core/document/edits";
import { setForAll } from "../core/document/forAllEdits";
import { setLookForAll } from "../core/document/lookEdits";
import { type Promotion } from "../core/document/promotion";
import { repeatScene } from "../core/document/restructure";
import { scenesInOrder } from "../core/document/sceneList";
import { mediaFill } from "../core/document/shots";
import { millis } from "../core/units";
import { type TeamScope } from "../server/db/teamScope";

const CAPTION_MS = 2500;
const CAPTIONS = ["Pots for the bench", "thrown by hand", "in terracotta", "until Thursday", "come and choose yours"];

/**
 * A promotion of six scenes with much in it: two clips, captions, words that come letter by letter, joins of different
 * kinds, and a look with grain over all pictures.
 */
export async function richPromotion(model: Promotion, scope: TeamScope): Promise<Promotion> {
  const clips = await scope
    .media()
    .select("id")
    .where("kind", "=", "clip")
    .where("state", "=", "ready")
    .orderBy("name")
    .limit(2)
    .execute();
  const six = ["product", "hook"].reduce((document, scene) => repeatScene(document, scene), model);
  const [one, other] = clips.map(({ id }) => mediaFill(id));
  const repeated = scenesInOrder(six).find(({ id, from }) => from.scene === "product" && id !== "product");
  if (!one || !other || !repeated) throw new Error("The demo world has no two clips to show.");
  const steps: readonly ((now: Promotion) => Edit)[] = [
    () => fillSlot("product.picture", one),
    () => fillSlot(`${repeated.id}.picture`, other),
    (now) =>
      setLookForAll(now, [
        { kind: "look", look: "slate", strength: 0.6 },
        { kind: "overlay", overlay: "grain", strength: 0.4 },
      ]),
    (now) => setForAll(now, [["pieces", "letter by letter"]], "Letters"),
    () => adjust("transition", "blur", { target: { scene: repeated.id } }),
    () => adjust("transition", "reveal", { target: { scene: "offer" } }),
    (now) =>
      replaceCaptions(
        now,
        "en",
        CAPTIONS.map((text, at) => ({ from: millis(at * CAPTION_MS), to: millis((at + 1) * CAPTION_MS - 200), text })),
        "Captions",
      ),
    () => showCaptions("en"),
  ];
  return steps.reduce((now, step) => applyEdit(now, step(now)), { ...six, name: "Six scenes with much in them" });
}
