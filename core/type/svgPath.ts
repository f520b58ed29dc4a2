import { type Outline, STEP, eachStep } from "./outline";

const LETTERS: Readonly<Record<number, string>> = {
  [STEP.move]: "M",
  [STEP.line]: "L",
  [STEP.quadratic]: "Q",
  [STEP.cubic]: "C",
  [STEP.close]: "Z",
};
const COUNTS: Readonly<Record<number, number>> = { [STEP.quadratic]: 4, [STEP.cubic]: 6, [STEP.close]: 0 };

/** An outline as the path data of SVG 2, section 9.3, to a hundredth of a unit. */
export function svgPath(outline: Outline): string {
  const parts: string[] = [];
  eachStep(outline, (step, at) => {
    const numbers = outline.slice(at, at + (COUNTS[step] ?? 2)).map((value) => Math.round(value * 100) / 100);
    parts.push(`${LETTERS[step] ?? ""}${numbers.join(" ")}`);
  });
  return parts.join("");
}
