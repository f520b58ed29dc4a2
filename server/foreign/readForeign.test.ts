import { execFileSync } from "node:child_process";
import { mkdtemp, rm, stat, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { until } from "../testing/until";
import { svgProblem } from "../media/svgSafety";
import { readForeign } from "./readForeign";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-test-"));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const svg = (attributes: string, inside = "<rect width='10' height='10'/>"): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`;
/** Blurs upon blurs: each is allowed, and all of them take seconds. */
const slow = svg(
  'viewBox="0 0 2000 2000"',
  `<filter id="f" x="0" y="0" width="1" height="1">${"<feGaussianBlur stdDeviation='100'/>".repeat(40)}</filter>` +
    "<g filter='url(#f)'><rect width='2000' height='2000'/></g>".repeat(20),
);
const draw = (text: string, limits?: Parameters<typeof readForeign>[2]) =>
  readForeign(
    { task: "drawSvg", input: { text, to: join(folder, "drawn.png"), name: "logo.svg" } },
    "logo.svg",
    limits,
  );
const readers = (): number[] => {
  try {
    return execFileSync("pgrep", ["-P", String(process.pid)])
      .toString()
      .trim()
      .split("\n")
      .map(Number);
  } catch {
    return [];
  }
};

test.each([
  ["a size of a hundred million", svg('width="1" height="99999999"'), "size"],
  ["a view a hundred thousand times as high as wide", svg('viewBox="0 0 1 100000"'), "times as long"],
  ["no size at all", svg('width="0" height="10"'), "size"],
  ["a far morphology", svg("", '<filter id="f"><feMorphology radius="40"/></filter>'), "filter"],
  ["a far blur", svg("", '<filter id="f"><feGaussianBlur stdDeviation="9000"/></filter>'), "filter"],
  ["very many filters", svg("", `<filter id="f">${"<feOffset/>".repeat(41)}</filter>`), "filters"],
])("an SVG with %s is refused before it is drawn", (_name, text, why) => expect(svgProblem(text)).toContain(why));

test.each([svg('width="100%" height="100%" viewBox="0 0 40 10"'), svg('width="12cm" height="3cm"'), svg("")])(
  "%s is not refused",
  (text) => expect(svgProblem(text)).toBeNull(),
);

test("a drawing becomes pixels, as wide or as high as a logo is", async () => {
  await draw(svg('viewBox="0 0 10 40"'));
  expect(await sharp(join(folder, "drawn.png")).metadata()).toMatchObject({ width: 512, height: 2048 });
});

test("what is damaged is refused in words", async () => {
  await expect(draw("<svg")).rejects.toThrow("“logo.svg” is damaged");
  const path = join(folder, "brought");
  await writeFile(path, "no font at all");
  await expect(
    readForeign({ task: "openFont", input: { path, to: join(folder, "font"), name: "old.ttf" } }, "old.ttf"),
  ).rejects.toThrow("“old.ttf” can't be used as a font");
});

test("what takes too long, or too much memory, is ended and said; another file is read meanwhile", async () => {
  const path = join(folder, "other.png");
  const other = (to = path) =>
    readForeign({ task: "drawSvg", input: { text: svg('viewBox="0 0 10 10"'), to, name: "other.svg" } }, "other.svg");
  // Two readers stand ready: starting one takes as long as the machine takes.
  await Promise.all([other(join(folder, "one.png")), other(join(folder, "two.png"))]);
  let isLateEnded = false;
  const late = draw(slow, { longestMs: 6000, mostMemoryBytes: 1e12 })
    .catch((error: unknown) => error)
    .finally(() => (isLateEnded = true));
  await other();
  expect(isLateEnded).toBe(false);
  expect((await stat(path)).size).toBeGreaterThan(0);
  expect(String(await late)).toContain("“logo.svg” takes too long");
  expect(
    String(await draw(slow, { longestMs: 20_000, mostMemoryBytes: 1e6 }).catch((error: unknown) => error)),
  ).toContain("needs too much memory");
});

test("a reader that breaks is started once more; a file that breaks two is set aside", async () => {
  const before = new Set(readers());
  const breaking = draw(slow).catch((error: unknown) => error);
  for (let time = 0; time < 2; time++) {
    await until(() => readers().some((pid) => !before.has(pid)));
    const [pid = 0] = readers().filter((one) => !before.has(one));
    before.add(pid);
    process.kill(pid, "SIGSEGV");
  }
  expect(String(await breaking)).toContain("breaks the program that reads it, twice");
});
