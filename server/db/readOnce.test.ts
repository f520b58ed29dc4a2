import { number, object } from "yup";
import { readOnce } from "./readOnce";

const side = object({ side: number().min(1).required() });

test("the same JSON is read once, other JSON anew, whatever object it comes in", () => {
  let reads = 0;
  const read = readOnce((value) => {
    reads++;
    return side.validateSync(value);
  });
  const first = read({ side: 3 });
  expect(read({ side: 3 })).toBe(first);
  expect(reads).toBe(1);
  expect(read({ side: 4 })).toEqual({ side: 4 });
  expect(reads).toBe(2);
});

test("what is refused is refused each time", () => {
  const read = readOnce((value) => side.validateSync(value));
  expect(() => read({ side: 0 })).toThrow("side");
  expect(() => read({ side: 0 })).toThrow("side");
  expect(() => read(undefined)).toThrow();
});
