import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { type Promotion } from "../../core/document/promotion";
import { scenesInOrder } from "../../core/document/sceneList";
import { createPromotion } from "../promotions/promotionStore";
import { type TestTeam, testTeam } from "../testing/team";
import { stillsOnPage, storyboardPdf } from "./storyboard";

let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
});
afterAll(() => team.close());

test("a storyboard has a page a scene, each with its words and its formats (read by pdf.js)", async () => {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const made = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, null);
  const fills: Promotion["fills"] = { "notice.headline": { kind: "words", text: "Wir haben über Ostern offen" } };
  const document = { ...made.document, fills: { ...made.document.fills, ...fills } };
  const bytes = await storyboardPdf(team.scope, document);
  const pdf = await getDocument({ data: bytes, useSystemFonts: false }).promise;
  expect(pdf.numPages).toBe(scenesInOrder(document).length);
  const page = await pdf.getPage(1);
  const { items } = await page.getTextContent();
  const text = items.map((item) => ("str" in item ? item.str : "")).join(" ");
  for (const said of ["Wir haben über Ostern offen", "square", "vertical", "widescreen", "from 0.0 s"])
    expect(text).toContain(said);
  const { width, height } = page.getViewport({ scale: 1 });
  expect(width).toBeGreaterThan(height);
});

test("stills lie beside each other within the page, each in its shape", () => {
  for (const formats of [["vertical"], ["square", "vertical", "widescreen"], ["3x1", "3x1", "widescreen"]] as const) {
    const { height, widths } = stillsOnPage(formats);
    expect(height).toBeGreaterThan(40);
    expect(widths.reduce((sum, width) => sum + width, 0)).toBeLessThan(842);
  }
});
