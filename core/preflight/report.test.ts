import { testDocument, testFacts } from "../testing/promotions";
import { resolvePromotion } from "../document/resolve";
import { type Finding } from "./finding";
import { reportOf } from "./report";
import { RULES } from "./rules";

const scenes = resolvePromotion(testDocument(), testFacts()).scenes.map(({ template }) => template);
const ABOUT = {
  promotion: "Potting week",
  revision: 7,
  at: "2026-11-26T10:00:00.000Z",
  formats: ["square"],
  scenes,
} as const;

const finding = (change: Partial<Finding>): Finding => ({
  rule: "words-fit",
  severity: "wrong",
  where: { scene: "hook", format: "square", slot: "hook.headline" },
  words: "too long",
  numbers: { size: 20 },
  cures: [],
  ...change,
});

test("what must be mended comes first, each with its place and its rule in words", () => {
  const advice = finding({
    severity: "advice",
    rule: "not-too-long",
    where: { scene: null, format: null, slot: null },
  });
  const { findings, counts } = reportOf([advice, finding({})], ABOUT);
  expect(findings.map(({ severity, place }) => [severity, place])).toEqual([
    ["wrong", "Scene 1 · Headline · square"],
    ["advice", "The promotion"],
  ]);
  expect(findings[0]?.about).toBe("Words fit into their place at the size that their role needs.");
  expect(counts).toEqual({ wrong: 1, warning: 0, advice: 1 });
});

test("every rule is reported with how often it found something", () => {
  const { rules } = reportOf([finding({}), finding({})], ABOUT);
  expect(rules).toHaveLength(RULES.length);
  expect(rules.find(({ id }) => id === "words-fit")?.found).toBe(2);
  expect(rules.filter(({ found }) => found > 0)).toHaveLength(1);
});
