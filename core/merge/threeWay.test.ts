import fc from "fast-check";
import { sameJson, threeWay } from "./threeWay";

const book = { name: "Fern", colors: { ink: "#111", ground: "#eee" }, calls: ["Come in"] };

test("what only one of two changed is kept, of either", () => {
  const mine = { ...book, colors: { ...book.colors, ink: "#222" } };
  const now = { ...book, name: "Fern & Co", colors: { ...book.colors, ground: "#fff" } };
  expect(threeWay(book, mine, now)).toEqual({
    ...{ name: "Fern & Co", colors: { ink: "#222", ground: "#fff" }, calls: ["Come in"] },
  });
});

test("of what both changed, mine is kept; a list is one field", () => {
  const mine = { ...book, name: "Mine", calls: ["Come in", "Call us"] };
  const now = { ...book, name: "Theirs", calls: ["Look in"] };
  expect(threeWay(book, mine, now)).toEqual({ ...book, name: "Mine", calls: ["Come in", "Call us"] });
});

test("what one took away or added stays so", () => {
  expect(threeWay({ a: 1, b: 2 }, { b: 2 }, { a: 1, b: 3, c: 4 })).toEqual({ b: 3, c: 4 });
});

test("a field may be called as what every object has", () => {
  const odd: unknown = JSON.parse('{"__proto__":null,"constructor":1}');
  expect(JSON.stringify(threeWay(odd, odd, {}))).toBe("{}");
  expect(JSON.stringify(threeWay({}, odd, {}))).toBe('{"__proto__":null,"constructor":1}');
});

test("who changed nothing gets what there is, and who is alone gets what they made", () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (base, other) => {
      expect(sameJson(threeWay(base, base, other), other)).toBe(true);
      expect(sameJson(threeWay(base, other, base), other)).toBe(true);
    }),
  );
});

test("the order of keys says nothing", () => {
  expect(sameJson({ a: 1, b: { c: 2, d: [3] } }, { b: { d: [3], c: 2 }, a: 1 })).toBe(true);
  expect(sameJson([1, 2], [2, 1])).toBe(false);
});
