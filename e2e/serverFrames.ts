import { createHash } from "node:crypto";
import { type SceneTarget, targetOf } from "../core/document/adjustments";
import { type Edit } from "../core/document/edit";
import { adjust, applyEdit, fillSlot, putItem } from "../core/document/edits";
import { type SlotKey } from "../core/document/sceneTemplate";
import { JOINS, JOIN_COLORS, JOIN_EASES } from "../core/document/joins";
import { setLook } from "../core/document/lookEdits";
import { type Item } from "../core/document/items";
import { LOOK_NAMES } from "../core/grading/looks";
import { OVERLAYS } from "../core/grading/overlays";
import { WHILES } from "../core/motion/whileShown";
import { PICTURE_ENTRANCES, PICTURE_EXITS, WITH_SCENE } from "../core/motion/pictureMotion";
import { PIECES } from "../core/motion/movement";
import { ENTRANCE_MS, EXITS, EXIT_MS, MOTIONS } from "../core/motion/wordMotion";
import { scenesInOrder } from "../core/document/sceneList";
import { type Promotion } from "../core/document/promotion";
import { resolvePromotion } from "../core/document/resolve";
import { withScenes } from "../core/document/restructure";
import { millis } from "../core/units";
import { USUAL_FORMATS } from "../core/placement/formats";
import { isQuality } from "../core/placement/quality";
import { everyNode } from "../core/scene/displayList";
import { displayListAt, preparePromotion, settledTime } from "../core/scene/preparePromotion";
import { fontFilesWanted } from "../core/scene/wantedFiles";
import { SHIPPED_TEMPLATES, shippedRef } from "../core/templates/shipped";
import { FPS_30 } from "../core/time/frames";
import { type SceneSpan } from "../core/time/timeline";
import { closeDatabase } from "../server/db/connect";
import { openedBook } from "../server/faces/faceFiles";
import { loadRenderInput } from "../server/promotions/loadFacts";
import { samplesFor } from "../server/promotions/samples";
import { openFrameSource } from "../server/render/frameSource";
import { type RenderInput } from "../server/render/renderInput";
import { partOf } from "../core/testing/sample";
import { anyFrames } from "./anyFrames";
import { storedPromotion } from "./storedPromotion";
import { frameOn, frameStart, ticksOf } from "../core/time/ticks";

/**
 * Paints frames of a promotion on the server, as the renderer does, and prints what they were painted from with the
 * SHA-256 of each: `serverFrames.ts SLUG QUALITY WHICH`. WHICH is a list of frames; `random:SEED:COUNT` for that many
 * anywhere; or `arrangements`, for moments all over the scenes of the promotion with every shipped arrangement put in,
 * items over them, every way of framing in them, another picture
 * that comes in by every join, every movement of items, every join between them, every movement of words and every look.
 * Frames with a clip are left out: decoders differ.
 */
/** How long the first of two shots is on screen, in milliseconds. */
const SHOT_MS = 500;
/** How long the second takes to come in. */
const SHOT_JOIN_MS = 250;
/** Of the moments of a scene so many are looked at in each run, others with another seed; all of them with `--full`. */
const MOMENTS_A_RUN = 6;
/** More than there are joins, so that they do not always go together. */
const ANGLES = [0, 33, 90, -150, 180, -90, 71];
const [slug = "", quality = "", which = ""] = process.argv.slice(2);
if (!isQuality(quality)) throw new RangeError(`There is no quality “${quality}”.`);
const { scope, document: stored } = await storedPromotion(slug);
const document =
  which === "arrangements"
    ? withLooks(withMovement(withFramings(withShots(withItems(await withEveryArrangement(stored))))))
    : stored;
const input = await loadRenderInput(scope, document);
const frames = await stillFrames(input);
const hashes: Record<string, string> = {};
for (const format of USUAL_FORMATS) {
  const source = await openFrameSource(input, { format, quality });
  for (const frame of frames)
    hashes[`${format}/${frame}`] = createHash("sha256")
      .update(await source.frameAt(frameStart(frame, FPS_30)))
      .digest("hex");
  source.stop();
}
process.stdout.write(JSON.stringify({ document: input.document, facts: input.facts, frames, hashes }));
await closeDatabase();
process.exit();

/** One scene of each arrangement, taken from the shipped templates that use it. */
async function withEveryArrangement(before: Promotion): Promise<Promotion> {
  const { media, hasProductPicture } = await samplesFor(scope, before.product);
  // In an order that does not change with the order in which they were brought in.
  const pictures = media
    .filter(({ kind }) => kind === "picture")
    .sort((one, other) => one.name.localeCompare(other.name));
  const added = new Set<string>();
  return SHIPPED_TEMPLATES.reduce((into, template) => {
    const first = template.scenes.find(({ arrangement }) => !added.has(arrangement.name));
    if (!first) return into;
    added.add(first.arrangement.name);
    const ref = shippedRef(template);
    return {
      ...into,
      ...withScenes(into, { ref, template }, [first.id], { at: 1, media: pictures, hasProductPicture }),
    };
  }, before);
}

/** One item of each kind over all scenes: turned, see-through, in its own colours. */
function withItems(before: Promotion): Promotion {
  const scenes = scenesInOrder(before).map(({ id }) => id);
  const span = { from: scenes[0] ?? "", to: scenes.at(-1) ?? "" };
  const items: Readonly<Record<string, Item>> = {
    heading: { ...span, kind: "words", role: "label", text: "All week long", order: "a0" },
    burst: { ...span, kind: "sticker", sticker: "burst", order: "a1" },
    star: { ...span, kind: "shape", shape: "star", order: "a2" },
    line: { ...span, kind: "line", order: "a3" },
    bar: { ...span, kind: "progress", order: "a4" },
    frame: { ...span, kind: "frame", thickness: 0.01, order: "a5" },
  };
  const edits = [
    ...Object.entries(items).map(([id, item]) => putItem(id, item)),
    adjust("angle", -7, { target: { item: "heading" } }),
    adjust("lettersCome", "letter by letter", { target: { item: "heading" } }),
    adjust("opacity", 0.6, { target: { item: "burst" } }),
    adjust("angle", 33, { target: { item: "line" } }),
    adjust("at", { x: 0.2, y: 0.6 }, { target: { item: "star" }, layer: "scene@format", format: "vertical" }),
    // One that moves in each of the ways in which things do while they are there.
    ...WHILES.flatMap((moves, index) => {
      const item = `while-${index + 1}`;
      const target = { item };
      return [
        putItem(item, { ...span, kind: "sticker", sticker: "burst", order: `b${index}` }),
        adjust("moves", moves, { target }),
        adjust("size", 0.12, { target }),
        adjust("at", { x: 0.1 + (index % 5) * 0.2, y: 0.3 + Math.floor(index / 5) * 0.4 }, { target }),
      ];
    }),
  ];
  return edits.reduce(applyEdit, before);
}

/** Every scene's pictures framed in another way: on colours, on gradients, on each other, turned, mirrored, cut. */
function withFramings(before: Promotion): Promotion {
  const ways: readonly ((target: SceneTarget) => readonly Edit[])[] = [
    (target) => [adjust("way", "over its blur", { target })],
    (target) => [
      adjust("way", "whole", { target }),
      adjust("behind", { kind: "gradient", from: "primary", to: "#20a0c0", angle: 30 }, { target }),
    ],
    (target) => [adjust("turned", 7.5, { target }), adjust("enlarged", 1.4, { target })],
    (target) => [adjust("turned", 90, { target }), adjust("mirrored", true, { target })],
    (target) => [
      adjust("window", { x: 0.2, y: 0.1, width: 0.5, height: 0.6 }, { target }),
      adjust("way", "whole", { target, layer: "scene@format", format: "square" }),
    ],
    (target) => [
      adjust("way", "strip", { target }),
      adjust("strip", 0.4, { target }),
      adjust("behind", { kind: "color", color: "#335577" }, { target }),
    ],
    (target) => [
      adjust("way", "whole", { target }),
      adjust("turned", -20, { target }),
      adjust("point", { x: 0.5, y: 0 }, { target }),
    ],
  ];
  const edits = Object.entries(before.fills)
    .filter(([, fill]) => fill.kind === "media")
    .flatMap(([slot], index) => ways[index % ways.length]?.(targetOf(slot as SlotKey)) ?? []);
  return edits.reduce(applyEdit, before);
}

/** Another picture that comes in over each, soon after its scene has begun: by every join in turn. */
function withShots(before: Promotion): Promotion {
  const filled = Object.entries(before.fills).flatMap(([slot, fill]) =>
    fill.kind === "media" ? [{ slot: slot as SlotKey, shots: Object.entries(fill.shots) }] : [],
  );
  const edits = filled.flatMap(({ slot, shots: [first] }, index) => {
    const [second] = filled[(index + 1) % filled.length]?.shots ?? [];
    if (!first || !second) return [];
    const [id, one] = first;
    const coming = {
      ...second[1],
      order: "a5",
      comesBy: JOINS[index % JOINS.length],
      comesOver: millis(SHOT_JOIN_MS),
    } as const;
    const shots = { [id]: { ...one, order: "a0", length: millis(SHOT_MS) }, "comes-in": coming };
    return [fillSlot(slot, { kind: "media", shots })];
  });
  return edits.reduce(applyEdit, before);
}

/** Every scene's pictures in another look, with something else laid over. */
function withLooks(before: Promotion): Promotion {
  const edits = Object.entries(before.fills)
    .filter(([, fill]) => fill.kind === "media")
    .map(([slot], index) =>
      setLook(slot as SlotKey, [
        { kind: "look", look: LOOK_NAMES[index % LOOK_NAMES.length] ?? "ink", strength: 0.8 },
        { kind: "overlay", overlay: OVERLAYS[index % OVERLAYS.length] ?? "grain", strength: 0.7 },
        { kind: "grade", grade: { exposure: (index % 5) * 0.1 - 0.2, shadows: 0.3, hue: index % 7 } },
      ]),
    );
  return edits.reduce(applyEdit, before);
}

/** Five moments of all that happens in a scene, and its settled one, in milliseconds. */
function momentsOf(span: SceneSpan): number[] {
  const five = (from: number, to: number): number[] =>
    Array.from({ length: 5 }, (_, at) => from + ((at + 0.5) / 5) * (to - from));
  return [
    settledTime(span),
    // The scene's join to the one before; that of its second shot; words and pictures on their way in, and out.
    ...five(span.start, span.entered),
    ...five(span.start + SHOT_MS - SHOT_JOIN_MS, span.start + SHOT_MS),
    ...five(span.entered, span.entered + ENTRANCE_MS),
    ...five(span.end - EXIT_MS, span.end),
  ];
}

async function stillFrames({ document: shown, facts }: RenderInput): Promise<number[]> {
  const promotion = resolvePromotion(shown, facts);
  const wanted =
    which === "arrangements"
      ? promotion.spans.flatMap((span) =>
          partOf(momentsOf(span), MOMENTS_A_RUN).map((time) => frameOn(ticksOf(time), FPS_30)),
        )
      : which.startsWith("random:")
        ? anyFrames(
            Number(which.split(":")[1]),
            Number(which.split(":")[2]),
            frameOn(ticksOf(promotion.length), FPS_30),
          )
        : which.split(",").map(Number);
  const book = await openedBook((open) => fontFilesWanted(promotion, open));
  const prepared = preparePromotion(promotion, "square", book);
  const still = [...new Set(wanted)].filter((frame) =>
    [...everyNode(displayListAt(prepared, frameStart(frame, FPS_30)))].every(({ kind }) => kind !== "clip"),
  );
  return still.sort((one, other) => one - other);
}

/** Every join in turn, each its own way, time and colour; and every way for words to come and go. */
function withMovement(document: Promotion): Promotion {
  return scenesInOrder(document).reduce((changed, { id }, index) => {
    const target = { scene: id };
    const edits = [
      adjust("transition", JOINS[index % JOINS.length] ?? "crossfade", { target }),
      adjust("joinAngle", ANGLES[index % ANGLES.length] ?? 0, { target }),
      adjust("joinEase", JOIN_EASES[index % JOIN_EASES.length] ?? "even", { target }),
      adjust("motion", MOTIONS[index % MOTIONS.length] ?? "rise", { target }),
      adjust("goes", EXITS[index % EXITS.length] ?? "fade", { target }),
      adjust("wordsMove", WHILES[(index + 3) % WHILES.length] ?? "still", { target }),
      adjust("pieces", PIECES[index % PIECES.length] ?? "as one", { target }),
      adjust("picturesCome", PICTURE_ENTRANCES[index % PICTURE_ENTRANCES.length] ?? WITH_SCENE, { target }),
      adjust("picturesGo", PICTURE_EXITS[index % PICTURE_EXITS.length] ?? WITH_SCENE, { target }),
      adjust("picturesMove", WHILES[index % WHILES.length] ?? "still", { target }),
      adjust("depth", (index % 3) * 0.8, { target }),
      adjust("strength", 0.5 + (index % 3) * 0.6, { target }),
      adjust("joinColor", JOIN_COLORS[index % JOIN_COLORS.length] ?? "white", { target }),
    ];
    return edits.reduce(applyEdit, changed);
  }, document);
}
