import { adjust, applyEdit, fillSlot } from "../document/edits";
import { type Edit } from "../document/edit";
import { mediaFill } from "../document/shots";
import { resolvePromotion } from "../document/resolve";
import { type FormatName, formatOf } from "../placement/formats";
import { CLIP_ID, PICTURE_ID, testDocument, testFacts, testPicture } from "../testing/promotions";
import { openWanted, testBook } from "../testing/fonts";
import { defined } from "../testing/defined";
import { contrastRatio } from "../color/contrast";
import { measureTones } from "../picture/tones";
import { ticksOf } from "../time/ticks";
import { type DisplayNode, everyNode } from "./displayList";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const target = { scene: "hook", slot: "picture" };
/** A picture that is white all over, and known to be. */
const WHITE = "00000000-0000-4000-8000-000000000078";
const SIDE = 200;
const whiteTones = measureTones(new Uint8Array(SIDE * SIDE * 4).fill(255), { width: SIDE, height: SIDE });
const OTHER = "00000000-0000-4000-8000-000000000077";

/** The hook's picture, framed by some edits, in a format: what is painted of it, and its numbers. */
async function framed(edits: readonly Edit[], format: FormatName, media = PICTURE_ID) {
  const document = [fillSlot("hook.picture", mediaFill(media)), ...edits].reduce(applyEdit, testDocument());
  const facts = testFacts();
  const promotion = resolvePromotion(document, {
    ...facts,
    media: {
      ...facts.media,
      [OTHER]: testPicture({ id: OTHER }),
      [WHITE]: testPicture({ id: WHITE, tones: [whiteTones] }),
    },
  });
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const prepared = preparePromotion(promotion, format, book);
  const list = displayListAt(prepared, ticksOf(1500));
  const slot = defined(prepared.scenes[0]?.slots.find(({ key }): boolean => key === "hook.picture"));
  const ink = prepared.scenes[0]?.slots.find(({ backing }) => backing !== undefined)?.ink ?? "";
  return { nodes: [...everyNode(list)], slot, ink };
}
const pictures = (nodes: readonly DisplayNode[], id: string) =>
  nodes.filter((node) => (node.kind === "picture" || node.kind === "clip") && node.media === id);

test("a whole picture stands on the scene's ground until another ground is chosen; nothing of it is lost", async () => {
  const way = adjust("way", "whole", { target });
  const plain = await framed([way], "vertical");
  expect(plain.slot.framed).toMatchObject({ way: "whole", lost: 0 });
  const { height } = formatOf("vertical");
  // 1600 × 1200 in 1080 × 1920: three quarters of the width high.
  expect(plain.slot.framed?.bars.top).toBeCloseTo((height - 810) / 2, 6);
  const colored = await framed([way, adjust("behind", { kind: "color", color: "#123456" }, { target })], "vertical");
  expect(colored.nodes).toContainEqual(expect.objectContaining({ kind: "fill", ink: "#123456" }));
  const pictured = await framed([way, adjust("behind", { kind: "picture", media: OTHER }, { target })], "vertical");
  expect(pictures(pictured.nodes, OTHER)).toHaveLength(1);
});

test("whole over its own blur: the same picture twice, the lower one blurred and filling; a clip plays over it", async () => {
  const { nodes, slot } = await framed([adjust("way", "over its blur", { target })], "vertical", CLIP_ID);
  const [under, over] = pictures(nodes, CLIP_ID);
  expect(under).toMatchObject({ kind: "picture", blur: expect.any(Number) as number });
  expect(over).toMatchObject({ kind: "clip", frame: 45, place: { width: 1080 } });
  expect(slot.framed?.lost).toBe(0);
});

test("a framing in one format leaves the others as they were; one for every scene in a format reaches this one", async () => {
  const inVertical = adjust("way", "whole", { target, layer: "scene@format", format: "vertical" });
  expect((await framed([inVertical], "vertical")).slot.framed?.way).toBe("whole");
  expect((await framed([inVertical], "square")).slot.framed?.way).toBe("fill");
  const everywhere = adjust("way", "strip", { target, layer: "@format", format: "square" });
  expect((await framed([everywhere], "square")).slot.framed?.way).toBe("strip");
  expect((await framed([everywhere, inVertical], "vertical")).slot.framed?.way).toBe("whole");
});

test("turned and mirrored, a picture is cut to its place and covers it, while it zooms as well", async () => {
  const edits = [adjust("turned", 10, { target }), adjust("mirrored", true, { target })];
  const { nodes } = await framed(edits, "square");
  const cut = defined(nodes.find((node) => node.kind === "clipped"));
  expect(cut).toMatchObject({ place: { width: 1080 } });
  const map = nodes.find((node) => node.kind === "transformed" && node.map.a < 0);
  expect(map).toBeDefined();
});

test("words over bars are judged by the bars they stand on, not by the picture that is not there", async () => {
  const edits = (color: "#101010" | "#ffffff") => [
    adjust("way", "whole", { target }),
    adjust("point", { x: 0.5, y: 0 }, { target }),
    adjust("behind", { kind: "color", color }, { target }),
  ];
  const ink = async (of: readonly Edit[]): Promise<string> => (await framed(of, "vertical", WHITE)).ink;
  const [onWhitePicture, onWhiteBar, onDarkBar] = [
    await ink([]),
    await ink(edits("#ffffff")),
    await ink(edits("#101010")),
  ];
  expect(onWhiteBar).toBe(onWhitePicture);
  expect(contrastRatio(onWhitePicture, "#ffffff")).toBeGreaterThan(4.5);
  expect(contrastRatio(onDarkBar, "#101010")).toBeGreaterThan(4.5);
  expect(onDarkBar).not.toBe(onWhitePicture);
});
