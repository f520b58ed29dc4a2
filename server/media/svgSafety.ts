import { SaxesParser, type SaxesTagPlain } from "saxes";
import { SvgUses } from "./svgUses";

const MOST_CHARACTERS = 2_000_000;
/** Repetitions as drawn: a part repeated in a part that is repeated counts each time. */
const MOST_USES = 500;
const LONGEST_VIEW = 100_000;
/** How many times as long as wide a drawing may be, either way. */
const MOST_ASPECT = 50;
/** Filters look at as many pixels around each as they are told; so few of them, and so near, are drawn in no time. */
const MOST_FILTER_STEPS = 40;
const FARTHEST = 100;
const FARTHEST_MORPHOLOGY = 10;

const OUTSIDE = "refers to something outside of itself, which is never fetched.";

/**
 * Why an SVG is not taken, or null. It is only ever turned to pixels and never sent to a browser as it is; even so,
 * anything active or from outside is refused, so that nothing is fetched and nothing is silently left out.
 */
export function svgProblem(text: string): string | null {
  if (text.length > MOST_CHARACTERS)
    return `is ${Math.round(text.length / 1e6)} MB of SVG; the limit is ${MOST_CHARACTERS / 1e6} MB.`;
  let problem: string | null = null;
  const refuse = (why: string | null): void => {
    problem ??= why;
  };
  const uses = new SvgUses();
  const open: string[] = [];
  const parser = new SaxesParser({ xmlns: false });
  parser.on("doctype", (doctype) => {
    if (/<!ENTITY/i.test(doctype)) refuse("defines entities, which are not allowed.");
  });
  let filterSteps = 0;
  parser.on("opentag", (tag) => {
    refuse(tagProblem(tag));
    if (open.length === 0) refuse(sizeProblem(tag));
    if (localName(tag.name).startsWith("fe") && ++filterSteps > MOST_FILTER_STEPS) refuse("has too many filters.");
    open.push(localName(tag.name));
    uses.open(localName(tag.name), attribute(tag, "id"), attribute(tag, "href"));
  });
  parser.on("closetag", () => {
    open.pop();
    uses.close();
  });
  const style = (css: string): void => {
    if (open.at(-1) === "style") refuse(styleProblem(css));
  };
  parser.on("text", style);
  parser.on("cdata", style);
  parser.on("error", ({ message }) => refuse(`is not well-formed SVG (${message}).`));
  parser.write(text).close();
  if (uses.most() > MOST_USES) refuse("repeats its parts too many times.");
  return problem;
}

const localName = (name: string): string => (name.split(":").at(-1) ?? "").toLowerCase();

/** An attribute by its local name: `href` and `xlink:href` alike. */
function attribute({ attributes }: SaxesTagPlain, wanted: string): string {
  const found = Object.entries(attributes).find(([name]) => localName(name) === wanted);
  return found?.[1].trim() ?? "";
}

function tagProblem(tag: SaxesTagPlain): string | null {
  const name = localName(tag.name);
  if (name === "script") return "contains a script, which is not allowed.";
  if (name === "foreignobject") return "contains foreign content, which is not allowed.";
  for (const [written, value] of Object.entries(tag.attributes)) {
    const of = localName(written);
    if (of.startsWith("on")) return "contains event handlers, which are not allowed.";
    if ((of === "href" || of === "src") && isOutside(value.trim())) return OUTSIDE;
    const problem = styleProblem(value);
    if (problem) return problem;
  }
  return filterProblem(name, tag) ?? viewProblem(attribute(tag, "viewbox"));
}

/** The lengths in an attribute, in whatever unit they are written. */
const numbersIn = (text: string): number[] =>
  (text.match(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);

function sizeProblem(tag: SaxesTagPlain): string | null {
  const length = (name: string): number | undefined =>
    attribute(tag, name).endsWith("%") ? undefined : numbersIn(attribute(tag, name))[0];
  const [, , viewWidth, viewHeight] = numbersIn(attribute(tag, "viewbox"));
  const [width, height] = [length("width") ?? viewWidth ?? 100, length("height") ?? viewHeight ?? 100];
  const lengths = [width, height, viewWidth ?? width, viewHeight ?? height];
  if (lengths.some((one) => !(one > 0) || one > LONGEST_VIEW)) return "has a size that can't be drawn.";
  const isLong = (one: number, other: number): boolean => Math.max(one / other, other / one) > MOST_ASPECT;
  return isLong(width, height) || isLong(viewWidth ?? width, viewHeight ?? height)
    ? `is more than ${MOST_ASPECT} times as long as it is wide.`
    : null;
}

function filterProblem(name: string, tag: SaxesTagPlain): string | null {
  const reaches = (attributeName: string, most: number): boolean =>
    numbersIn(attribute(tag, attributeName)).some((one) => Math.abs(one) > most);
  const isFar =
    (name === "femorphology" && reaches("radius", FARTHEST_MORPHOLOGY)) ||
    (name === "feconvolvematrix" && reaches("order", FARTHEST_MORPHOLOGY)) ||
    (name === "feturbulence" && reaches("numoctaves", FARTHEST_MORPHOLOGY)) ||
    ((name === "fegaussianblur" || name === "fedropshadow") && reaches("stddeviation", FARTHEST));
  return isFar ? "has a filter that reaches too far to be drawn." : null;
}

const isOutside = (target: string): boolean =>
  !target.startsWith("#") && !/^data:image\/(png|jpeg|webp);base64,/i.test(target);

/** What CSS reaches out for, in a style sheet or in any attribute. */
function styleProblem(css: string): string | null {
  const targets = [...css.matchAll(/url\(\s*["']?\s*([^"')]*)/gi)].map(([, target = ""]) => target);
  return /@import/i.test(css) || targets.some(isOutside) ? OUTSIDE : null;
}

function viewProblem(view: string): string | null {
  if (view === "") return null;
  const numbers = view.split(/[\s,]+/).map(Number);
  const sound = numbers.every((number) => Number.isFinite(number) && Math.abs(number) <= LONGEST_VIEW);
  return sound ? null : "is drawn on a view that is too large.";
}
