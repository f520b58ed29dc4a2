import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { displayName } from "./fileName";
import { readLoudness } from "./soundIngest";
import { sniffType } from "./sniff";
import { svgProblem } from "./svgSafety";
import { workingRate } from "./workingRate";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true }));

async function sniffed(bytes: string | Uint8Array) {
  const path = join(folder, "file");
  await writeFile(path, bytes);
  return sniffType(path, "holiday.mp4");
}

test("a type is told from bytes, whatever the name says", async () => {
  await expect(sniffed("just some words")).rejects.toThrow("“holiday.mp4” is plain text inside");
  await expect(sniffed("")).rejects.toThrow("0 bytes");
  await expect(sniffed(Buffer.from("%PDF-1.7\n"))).rejects.toThrow("application/pdf");
  await expect(sniffed('<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"/>')).resolves.toMatchObject({
    kind: "picture",
    mime: "image/svg+xml",
  });
});

test("what is taken in another place is sent there", async () => {
  /** What begins with a tag, as typefaces do: its version and tables come after it (OpenType, “Organization of an OpenType font”). */
  const begun = (tag: string | number): Buffer => {
    const file = Buffer.alloc(64);
    if (typeof tag === "number") file.writeUInt32BE(tag, 0);
    else file.write(tag, 0, "latin1");
    file.writeUInt32BE(0x00010000, 4);
    return file;
  };
  await expect(sniffed(begun(0x00010000))).rejects.toThrow("is a typeface. Add it in the brand book");
  await expect(sniffed(begun("wOF2"))).rejects.toThrow("is a typeface");
  await expect(sniffed(begun("wOFF"))).rejects.toThrow("is a typeface");
  await expect(sniffed(begun("PK\u0003\u0004"))).rejects.toThrow("bring it on the Templates page");
});

test.each([
  ["../../etc/passwd", "passwd"],
  ["C:\\pictures\\pot.jpg", "pot.jpg"],
  ["a\u0000b\u001b[31m.png", "ab[31m.png"],
  ["gpj.\u202etop", "gpj.top"],
  ["///", "unnamed"],
  ["  ", "unnamed"],
  ["x".repeat(500), "x".repeat(120)],
])("the name %j is shown as %j", (raw, shown) => expect(displayName(raw)).toBe(shown));

const svg = (inside: string, attributes = ""): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`;

function useBomb(levels: number, times: number): string {
  const level = (at: number): string => `<g id="a${at + 1}">${`<use href="#a${at}"/>`.repeat(times)}</g>`;
  return svg(
    `<g id="a0"><rect/></g>${Array.from({ length: levels }, (_, at) => level(at)).join("")}<use href="#a${levels}"/>`,
  );
}

test.each([
  ["script", svg("<script>alert(1)</script>")],
  ["script", svg("<svg:script xmlns:svg='x'/>")],
  ["event handlers", svg('<rect onload="x()"/>')],
  ["outside of itself", svg('<image href="http://example.com/a.png"/>')],
  ["outside of itself", svg('<image xlink:href="file:///etc/passwd"/>')],
  ["outside of itself", svg('<rect style="fill:url(http://example.com/#a)"/>')],
  ["outside of itself", svg("<style>@import 'x.css'</style>")],
  ["entities", `<!DOCTYPE svg [<!ENTITY a "b">]>${svg("&a;")}`],
  ["foreign content", svg("<foreignObject/>")],
  ["too large", svg("", 'viewBox="0 0 1e9 1e9"')],
  ["too many times", svg('<use href="#a"/>'.repeat(501))],
  [
    "too many times",
    svg(
      `<g id="a0"/>${Array.from({ length: 9 }, (_, at) => `<g id="a${at + 1}"><g>${`<use href="#a${at}"/>`.repeat(10)}</g></g>`).join("")}<use href="#a9"/>`,
    ),
  ],
  // Twelve levels of sixty, and thirty of ten: multiplied out, no number of repetitions is small.
  ["too many times", useBomb(12, 60)],
  ["too many times", useBomb(30, 10)],
  ["too many times", svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g><use href="#a"/>')],
])("an SVG is refused for %s", (reason, text) => expect(svgProblem(text)).toContain(reason));

test.each([
  [
    "a style sheet in CDATA",
    svg("<style><![CDATA[rect{fill:url(http://example.com/#a)}]]></style>"),
    "outside of itself",
  ],
  ["a comment that hides nothing", svg("<!-- <script> --><rect/>"), null],
  ["a script in the words of a title", svg("<title>About &lt;script&gt;</title>"), null],
  ["a tag that is never closed", `<svg xmlns="http://www.w3.org/2000/svg"><g>`, "not well-formed"],
  ["letters after the end", `${svg("<rect/>")}<script/>`, "not well-formed"],
  ["a picture inside", svg('<image href="data:image/png;base64,AAAA"/>'), null],
  ["a page inside", svg('<image href="data:text/html;base64,AAAA"/>'), "outside of itself"],
])("an SVG with %s", (_, text, words) => {
  const problem = svgProblem(text);
  if (words === null) expect(problem).toBeNull();
  else expect(problem).toContain(words);
});

test("a plain SVG is taken, with references inside itself", () => {
  expect(
    svgProblem(svg('<linearGradient id="g"/><rect fill="url(#g)"/><use href="#g"/>', 'viewBox="0 0 100 40"')),
  ).toBeNull();
});

test.each([
  [29.97, "30000/1001"],
  [30, "30/1"],
  [24.8, "25/1"],
  [59.9, "60000/1001"],
  [120, "60/1"],
  [0, "30/1"],
  // Frames at varying distances: none is lost.
  [27, "30/1", 30],
  [27, "60/1", 90_000],
  [24.2, "25/1", 25],
])("a clip at %d frames a second works at %s", (measured, rate, finest = measured) => {
  const { numerator, denominator } = workingRate(measured, finest);
  expect(`${numerator}/${denominator}`).toBe(rate);
});

test("ffmpeg's loudness report is read, and silence told apart", () => {
  const report = (loudness: string, peak: string): string =>
    `Summary:\n\n  Integrated loudness:\n    I:         ${loudness} LUFS\n  True peak:\n    Peak:       ${peak} dBFS\n`;
  expect(readLoudness(report("-18.2", "-3.0"))).toEqual({ loudness: -18.2, peak: -3 });
  expect(readLoudness(report("-70.0", "-inf"))).toEqual({ loudness: null, peak: null });
});
