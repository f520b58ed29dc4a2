import { addressProblem } from "./addresses";
import { bodyProblem } from "./bodyLimits";
import { formOf, jsonOf, readJson } from "./readBody";
import { isFromOurPages } from "./sameSite";

const ours = { host: "shop.example.com" };

test.each([
  ["no word of where from", {}, true],
  ["our own page", { origin: "https://shop.example.com", "sec-fetch-site": "same-origin" }, true],
  ["another site", { origin: "https://evil.example.com" }, false],
  ["another site without an origin", { "sec-fetch-site": "cross-site" }, false],
  ["a neighbour's subdomain", { "sec-fetch-site": "same-site" }, false],
  ["a sandboxed page", { origin: "null" }, false],
  ["junk", { origin: "%%%" }, false],
])("a change from %s", (_name, headers, taken) => expect(isFromOurPages({ ...ours, ...headers })).toBe(taken));

test.each([
  ["GET", "/sign-in", {}, null],
  ["POST", "/sign-in", { "content-length": "900" }, null],
  ["POST", "/sign-in", { "content-length": "300000000" }, 413],
  ["POST", "/sign-in", { "transfer-encoding": "chunked" }, 411],
  ["POST", "/sign-in.data", { "content-length": "1000001" }, 413],
  ["POST", "/media/uploads", { "content-length": "1900000000" }, null],
  ["POST", "/media/uploads", { "content-length": "2000000001" }, 413],
  ["POST", "/media/uploads", { "transfer-encoding": "chunked" }, null],
  ["POST", "/promotions/pots/edits", { "content-length": "5000000" }, null],
  ["POST", "/promotions/pots/edits", { "content-length": "9000000" }, 413],
  ["POST", "/brand-book", { "content-length": "not a number" }, 413],
])("%s %s with %j", (method, path, headers, status) =>
  expect(bodyProblem(method, path, headers)?.status ?? null).toBe(status),
);

const sent = (body: BodyInit, type?: string): Request =>
  new Request("http://shop.example.com/", {
    method: "POST",
    body,
    ...(type ? { headers: { "content-type": type } } : {}),
  });
const statusOf = (error: unknown): number => (error instanceof Response ? error.status : 0);

test("a form's texts are read as they are kept; one that can't be kept is refused by its name", async () => {
  const form = await formOf(sent(new URLSearchParams({ name: "cafe\u0301\u000bbar", "": "" })));
  expect([...form]).toEqual([
    ["name", "café\nbar"],
    ["", ""],
  ]);
  const refused = await formOf(sent(new URLSearchParams({ name: "a\u0000b" }))).catch((error: unknown) => error);
  expect(statusOf(refused)).toBe(400);
  expect(await (refused as Response).text()).toContain("“name” holds a control character");
  expect(statusOf(await formOf(sent("junk", "multipart/form-data")).catch((error: unknown) => error))).toBe(400);
});

test("JSON is read with escapes undone: what hides in them is refused too", async () => {
  expect(await jsonOf(sent('{"a":["cafe\\u0301"]}'))).toEqual({ a: ["café"] });
  for (const text of ['{"a":"\\u0000"}', '{"\\u0000":1}', '["\\ud800"]', "{", "[".repeat(50) + "]".repeat(50)])
    await expect(jsonOf(sent(text))).rejects.toMatchObject({ name: "Refusal" });
  expect(() => readJson('"\\u0000"', "a choice")).toThrow();
});

test.each([
  ["/promotions/pots?words=tea", null],
  ["/promotions/pots%00", "characters"],
  ["/media?words=%00", "characters"],
  ["/media?%01=", "characters"],
  ["/promotions/%ff", "not written"],
])("the address %s", (address, problem) => {
  const said = addressProblem(new URL(address, "http://shop.example.com"));
  if (problem === null) expect(said).toBeNull();
  else expect(said).toContain(problem);
});
