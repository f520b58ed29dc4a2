import { OPS, type PDFDocumentProxy, getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { type Promotion } from "../../core/document/promotion";
import { scenesInOrder } from "../../core/document/sceneList";
import { partOf } from "../../core/testing/sample";
import { createPromotion } from "../promotions/promotionStore";
import { type TestTeam, testTeam } from "../testing/team";
import { stillsOnPage, storyboardPdf } from "./storyboard";

let team: TestTeam;
/** Three usual formats beside each other are so high, from the top of the page, in points. */
const UNDER_PICTURES = 300;
beforeAll(async () => {
  team = await testTeam();
  await team.brand("Ash");
});
afterAll(() => team.close());

/** A storyboard of opening hours whose first words say something else, as pdf.js reads it, and how many pages it should have. */
async function boardWith(text: string): Promise<{ readonly pdf: PDFDocumentProxy; readonly scenes: number }> {
  const product = await team.product("Pot", 2400);
  const made = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, null);
  const fills: Promotion["fills"] = { "notice.headline": { kind: "words", text } };
  const document = { ...made.document, fills: { ...made.document.fills, ...fills } };
  const data = await storyboardPdf(team.scope, document);
  return { pdf: await getDocument({ data, useSystemFonts: false }).promise, scenes: scenesInOrder(document).length };
}

test("a storyboard has a page a scene, each with its words and its formats (read by pdf.js)", async () => {
  const { pdf, scenes } = await boardWith("Wir haben über Ostern offen");
  expect(pdf.numPages).toBe(scenes);
  const page = await pdf.getPage(1);
  const { items } = await page.getTextContent();
  const text = items.map((item) => ("str" in item ? item.str : "")).join(" ");
  for (const said of ["Wir haben über Ostern offen", "square", "vertical", "widescreen", "from 0.0 s"])
    expect(text).toContain(said);
  const { width, height } = page.getViewport({ scale: 1 });
  expect(width).toBeGreaterThan(height);
});

/** What is drawn of lines and curves on a page: where it begins and how wide it is, in points (as pdf.js reads it). */
async function drawnOn(pdf: PDFDocumentProxy): Promise<readonly { readonly y: number; readonly width: number }[]> {
  const { fnArray, argsArray } = await (await pdf.getPage(1)).getOperatorList();
  let y = 0;
  return fnArray.flatMap((operation, at) => {
    const args: unknown = argsArray[at];
    if (!Array.isArray(args)) return [];
    if (operation === OPS.transform) y = Number(args[5]);
    if (operation !== OPS.constructPath) return [];
    const [left = 0, , right = 0] = Array.from(args[2] as ArrayLike<number>);
    return [{ y, width: right - left }];
  });
}

let plain: ReturnType<typeof boardWith> | null = null;
const SCRIPTS = [
  ["Greek", "Ανοιχτά κάθε μέρα", 90],
  ["Arabic, which is read from the right", "مفتوح اليوم من التاسعة", 90],
  ["Japanese, with an emoji", "毎日営業しています 🌱", 90],
] as const;
test.each(partOf(SCRIPTS, 1))(
  "words in %s are drawn under the pictures, where the face of the page has no letters for them",
  async (_, text, least) => {
    plain ??= boardWith("Open every day");
    expect(await drawnOn((await plain).pdf)).toEqual([]);
    const drawn = await drawnOn((await boardWith(text)).pdf);
    expect(drawn).toHaveLength(1);
    expect(drawn[0]?.y).toBeGreaterThan(UNDER_PICTURES);
    expect(drawn[0]?.width).toBeGreaterThan(least);
    expect(drawn[0]?.width).toBeLessThan(300);
  },
);

test("more words than a page has room for begin no other page", async () => {
  const { pdf, scenes } = await boardWith("מילה ".repeat(60));
  expect(pdf.numPages).toBe(scenes);
});

test("stills lie beside each other within the page, each in its shape", () => {
  for (const formats of [["vertical"], ["square", "vertical", "widescreen"], ["3x1", "3x1", "widescreen"]] as const) {
    const { height, widths } = stillsOnPage(formats);
    expect(height).toBeGreaterThan(40);
    expect(widths.reduce((sum, width) => sum + width, 0)).toBeLessThan(842);
  }
});
