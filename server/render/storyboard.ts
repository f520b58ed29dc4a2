import PDFDocument from "pdfkit";
import { formatsInOrder } from "../../core/document/formatList";
import { resolvePromotion } from "../../core/document/resolve";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { withPageFaces, writeWords } from "./pageWords";
import { stillFile } from "./stillFile";

/** A4 lying, in points. */
const [WIDTH, HEIGHT, MARGIN] = [841.89, 595.28, 36];
const GAP = 14;
const STILLS_TOP = 92;
const MOST_STILL_HEIGHT = 330;
/** Words that begin below this would go on to another page. */
const LAST_LINE = HEIGHT - MARGIN - 48;
const INK = "#20282a";
const SOFT = "#5a625c";

/** Where stills lie beside each other on a page: as high as fits, each in its own shape. */
export function stillsOnPage(formats: readonly FormatName[]): {
  readonly height: number;
  readonly widths: readonly number[];
} {
  const ratios = formats.map((format) => formatOf(format).width / formatOf(format).height);
  const room = WIDTH - 2 * MARGIN - GAP * (formats.length - 1);
  const height = Math.min(MOST_STILL_HEIGHT, room / ratios.reduce((sum, ratio) => sum + ratio, 0));
  return { height, widths: ratios.map((ratio) => ratio * height) };
}

/** A line of words across the page. */
const line = { face: "words", x: MARGIN, width: WIDTH - 2 * MARGIN } as const;
const clock = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

/** A promotion as a storyboard: a page a scene, with its settled moment in every format, its time and its words. */
export async function storyboardPdf(scope: TeamScope, document: Promotion): Promise<Uint8Array> {
  const { facts } = await loadRenderInput(scope, document);
  const { scenes, spans } = resolvePromotion(document, facts);
  const formats = formatsInOrder(document);
  const { height, widths } = stillsOnPage(formats);
  const pdf = new PDFDocument({
    ...{ size: [WIDTH, HEIGHT], margin: MARGIN, autoFirstPage: false, lang: "en-GB" },
    info: { Title: document.name, Producer: "Stencilcraft", Creator: "Stencilcraft" },
  });
  const chunks: Buffer[] = [];
  pdf.on("data", (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((done, fail) => pdf.on("end", done).on("error", fail));
  await withPageFaces(pdf);
  for (const [index, scene] of scenes.entries()) {
    const span = spans[index];
    if (!span) continue;
    pdf.addPage();
    const length = span.end - span.start;
    const head = `${index + 1}. ${scene.template.name}`;
    await writeWords(pdf, { ...line, text: head, face: "heading", size: 18, ink: INK, y: MARGIN });
    const about = `${document.name} · from ${clock(span.start)}, ${clock(length)} long`;
    await writeWords(pdf, { ...line, text: about, size: 11, ink: SOFT, y: MARGIN + 26 });
    let left = MARGIN;
    for (const [at, format] of formats.entries()) {
      const width = widths[at] ?? 0;
      const still = await stillFile(scope, document, { format, scene: index });
      pdf.image(still, left, STILLS_TOP, { width, height });
      const named = { text: formatTitle(format), x: left, y: STILLS_TOP + height + 4, width };
      await writeWords(pdf, { ...line, ...named, size: 9, ink: SOFT });
      left += width + GAP;
    }
    let y = STILLS_TOP + height + 26;
    for (const words of Object.values(scene.words)) {
      const text = words.replaceAll("\n", " / ").replaceAll("*", "");
      if (text === "") continue;
      if (y > LAST_LINE) {
        await writeWords(pdf, { ...line, text: "…", size: 12, ink: INK, y });
        break;
      }
      y = await writeWords(pdf, { ...line, text, size: 12, ink: INK, y });
    }
  }
  pdf.end();
  await ended;
  return new Uint8Array(Buffer.concat(chunks));
}
