import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileResponse } from "./fileResponse";

let folder: string;
let path: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  path = join(folder, "file");
  await writeFile(path, "0123456789");
});
afterAll(() => rm(folder, { recursive: true }));

const ask = (range?: string): Promise<Response> =>
  fileResponse(new Request("http://x/", range ? { headers: { range } } : {}), path, { type: "video/mp4" });

test("the whole file, with its length", async () => {
  const response = await ask();
  expect([response.status, response.headers.get("content-length"), await response.text()]).toEqual([
    200,
    "10",
    "0123456789",
  ]);
});

test.each([
  // RFC 9110, 14.1.2: first and last byte are both included; a suffix counts from the end.
  ["bytes=0-3", "0123", "bytes 0-3/10"],
  ["bytes=7-", "789", "bytes 7-9/10"],
  ["bytes=-2", "89", "bytes 8-9/10"],
  ["bytes=8-99", "89", "bytes 8-9/10"],
])("%s gives %s", async (range, text, header) => {
  const response = await ask(range);
  expect([response.status, response.headers.get("content-range"), await response.text()]).toEqual([206, header, text]);
});

test("a range past the end can't be given", async () => expect((await ask("bytes=10-")).status).toBe(416));

test("units other than bytes are not heeded (RFC 9110, 14.2)", async () =>
  expect((await ask("lines=1-2")).status).toBe(200));

test("a name to save under is kept whole, and can't break the header", async () => {
  const response = await fileResponse(new Request("http://x/"), path, {
    type: "video/mp4",
    saveAs: 'Été "sale"\n.mp4',
  });
  expect(response.headers.get("content-disposition")).toBe(
    "attachment; filename=\"_t___sale__.mp4\"; filename*=UTF-8''%C3%89t%C3%A9%20%22sale%22%0A.mp4",
  );
});
