import { readFile } from "node:fs/promises";
import { createRequire } from "node:module";
import PDFDocument from "pdfkit";
import { formatsInOrder } from "../../core/document/formatList";
import { resolvePromotion } from "../../core/document/resolve";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { stillFile } from "./stillFile";

/** A4 lying, in points. */
const [WIDTH, HEIGHT, MARGIN] = [841.89, 595.28, 36];
const GAP = 14;
const STILLS_TOP = 92;
const MOST_STILL_HEIGHT = 330;
const INK = "#20282a";
const SOFT = "#5a625c";

const require = createRequire(import.meta.url);
const fontFile = (weight: number): string =>
  require.resolve(`@fontsource/instrument-sans/files/instrument-sans-latin-${weight}-normal.woff`);

/** What the face of the page can write: Latin letters, figures and signs. Words in other scripts are seen in the pictures. */
const WRITTEN = /^[\u0020-\u007e\u00a0-\u00ff\u2010-\u2026\u20ac£→−×]*$/u;

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
  pdf.registerFont("words", await readFile(fontFile(400)));
  pdf.registerFont("heading", await readFile(fontFile(700)));
  for (const [index, scene] of scenes.entries()) {
    const span = spans[index];
    if (!span) continue;
    pdf.addPage();
    pdf
      .font("heading")
      .fontSize(18)
      .fillColor(INK)
      .text(written(`${index + 1}. ${scene.template.name}`), MARGIN, MARGIN);
    const length = span.end - span.start;
    pdf
      .font("words")
      .fontSize(11)
      .fillColor(SOFT)
      .text(written(`${document.name} · from ${clock(span.start)}, ${clock(length)} long`), MARGIN, MARGIN + 26);
    let left = MARGIN;
    for (const [at, format] of formats.entries()) {
      const width = widths[at] ?? 0;
      const still = await stillFile(scope, document, { format, scene: index });
      pdf.image(still, left, STILLS_TOP, { width, height });
      pdf.fontSize(9).text(formatTitle(format), left, STILLS_TOP + height + 4, { width });
      left += width + GAP;
    }
    pdf.y = STILLS_TOP + height + 26;
    for (const words of Object.values(scene.words)) {
      const line = written(words.replaceAll("\n", " / ").replaceAll("*", ""));
      if (line === "") continue;
      pdf
        .fontSize(12)
        .fillColor(INK)
        .text(line, MARGIN, pdf.y, { width: WIDTH - 2 * MARGIN, height: 30, ellipsis: true });
    }
  }
  pdf.end();
  await ended;
  return new Uint8Array(Buffer.concat(chunks));
}

/** What of a text can be written on the page; "" where it is in another script. */
const written = (text: string): string => (WRITTEN.test(text) ? text : "");
