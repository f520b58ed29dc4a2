import { setForAll } from "../document/forAllEdits";
import { applyEdit } from "../document/edits";
import { resolvePromotion } from "../document/resolve";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { FPS_30 } from "../time/frames";
import { frameStart, msOf, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { paintedStretch, paintedWhole } from "./paintedText";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

async function closedBy(lasts: number | null, color: "black" | "white" = "black") {
  const document = testDocument();
  const closing = [
    ["closing", "shutters close"],
    ["closingLasts", millis(lasts ?? 600)],
    ["closingColor", color],
  ] as const;
  const facts = testFacts();
  const promotion = resolvePromotion(
    lasts === null ? document : applyEdit(document, setForAll(document, closing, "Ending")),
    facts,
  );
  const book = testBook();
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return { promotion, prepared: preparePromotion(promotion, "square", book) };
}

test("a promotion is closed in its last time and no longer for it; nothing before is painted otherwise", async () => {
  const [open, closed] = await Promise.all([closedBy(null), closedBy(600)]);
  expect(closed.promotion.length).toBe(open.promotion.length);
  const { from, to } = defined(closed.prepared.ending[0]);
  expect([msOf(from), msOf(to)]).toEqual([open.promotion.length - 600, open.promotion.length]);
  const before = ticksOf(open.promotion.length - 640);
  expect(displayListAt(closed.prepared, before)).toEqual(displayListAt(open.prepared, before));
  const last = frameStart(Math.round((open.promotion.length * 30) / 1000) - 1, FPS_30);
  const nodes = displayListAt(closed.prepared, last).filter((node) => node.kind === "fill" && node.ink === "#000000");
  expect(nodes.reduce((sum, node) => sum + (node.kind === "fill" ? node.place.height : 0), 0)).toBe(1080);
});

test("what was rendered of the rest stays: only the stretch that closes depends on how", async () => {
  const [black, white] = await Promise.all([closedBy(600, "black"), closedBy(600, "white")]);
  const start = black.promotion.length - 600;
  const at = ({ prepared }: typeof black, ms: readonly number[]): string =>
    paintedStretch(prepared, ms.map(ticksOf), {});
  expect(at(black, [0, start - 1])).toBe(at(white, [0, start - 1]));
  expect(at(black, [start])).not.toBe(at(white, [start]));
  expect(paintedWhole(black.prepared, {})).not.toBe(paintedWhole(white.prepared, {}));
});

test("an ending takes no more than all there is", async () => {
  const { promotion } = await closedBy(3000);
  expect(promotion.ending?.lasts).toBe(3000);
  expect(promotion.length).toBeGreaterThan(3000);
});
