import { numbered } from "./numbered";

test("each line has its number, empty ones are passed over", () => {
  expect(numbered("Sow\n\nWater\nWait")).toBe("1.\tSow\n\n2.\tWater\n3.\tWait");
  expect(numbered("")).toBe("");
});
