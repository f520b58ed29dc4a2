import { numbered } from "./numbered";

test("each line has its number, empty ones are passed over", () => {
  expect(numbered("Sow\n\nWater\nWait")).toBe("1. Sow\n\n2. Water\n3. Wait");
  expect(numbered("")).toBe("");
});
