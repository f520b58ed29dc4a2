import { type Finding } from "../../core/preflight/finding";
import { cellBeside, findingsIn } from "./cells";

const wall = { formats: ["square", "vertical", "widescreen"], scenes: 3 } as const;

test("arrows walk over the wall and stop at its edges; other keys lead nowhere", () => {
  const middle = { format: "vertical", scene: 1 } as const;
  expect(cellBeside(middle, "ArrowUp", wall)).toEqual({ format: "square", scene: 1 });
  expect(cellBeside(middle, "ArrowDown", wall)).toEqual({ format: "widescreen", scene: 1 });
  expect(cellBeside(middle, "ArrowLeft", wall)).toEqual({ format: "vertical", scene: 0 });
  expect(cellBeside(middle, "ArrowRight", wall)).toEqual({ format: "vertical", scene: 2 });
  expect(cellBeside({ format: "square", scene: 0 }, "ArrowUp", wall)).toBeNull();
  expect(cellBeside({ format: "square", scene: 0 }, "ArrowLeft", wall)).toBeNull();
  expect(cellBeside({ format: "widescreen", scene: 2 }, "ArrowRight", wall)).toBeNull();
  expect(cellBeside(middle, "Tab", wall)).toBeNull();
});

test("what holds in every format is found in each cell of its scene; what holds in one, in that one", () => {
  const found = (scene: string | null, format: "square" | null): Finding => ({
    ...{ rule: "words-fit", severity: "wrong", words: "", numbers: {}, cures: [] },
    where: { scene, format, slot: null },
  });
  const [all, one, whole] = [found("hook", null), found("hook", "square"), found(null, null)];
  expect(findingsIn([all, one, whole], "hook", "square")).toEqual([all, one]);
  expect(findingsIn([all, one, whole], "hook", "vertical")).toEqual([all]);
  expect(findingsIn([all, one, whole], "offer", "square")).toEqual([]);
});
