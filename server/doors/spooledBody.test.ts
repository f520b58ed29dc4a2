import { createHash } from "node:crypto";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { spoolBody } from "./spooledBody";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterEach(() => rm(folder, { recursive: true }));

/** A body of so many parts, and how many of them were read. */
function body(parts: number): { stream: ReadableStream<Uint8Array>; read: () => number } {
  let sent = 0;
  const stream = new ReadableStream<Uint8Array>(
    {
      pull(controller) {
        if (sent === parts) controller.close();
        else controller.enqueue(new Uint8Array(1000).fill(sent++));
      },
    },
    { highWaterMark: 0 },
  );
  return { stream, read: () => sent };
}
const limit = (most: number) => ({ name: "clip.mp4", most, tooLarge: "“clip.mp4” is larger than the limit." });

test("a body is written, counted and hashed", async () => {
  const path = join(folder, "file");
  const { sha256, bytes } = await spoolBody(body(5).stream, path, limit(5000));
  const written = await readFile(path);
  expect([bytes, written.length]).toEqual([5000, 5000]);
  expect(sha256).toBe(createHash("sha256").update(written).digest("hex"));
});

test("one that is too large is read to its end, so that whoever sends it hears why", async () => {
  const { stream, read } = body(9);
  await expect(spoolBody(stream, join(folder, "file"), limit(3500))).rejects.toThrow("larger than the limit");
  expect(read()).toBe(9);
});

test("where the disk is full it is said, after all of it was read", async () => {
  const { stream, read } = body(9);
  let closed = false;
  const full = () =>
    Promise.resolve({
      appendFile: () => Promise.reject(Object.assign(new Error("write"), { code: "ENOSPC" })),
      close: () => Promise.resolve(void (closed = true)),
    });
  await expect(spoolBody(stream, join(folder, "file"), limit(1e6), full)).rejects.toThrow(
    "“clip.mp4” was not kept. The disk that files are kept on is full.",
  );
  expect(closed).toBe(true);
  expect(read()).toBe(9);
});

test("one that breaks off is an error", async () => {
  const broken = new ReadableStream<Uint8Array>({
    pull: (controller) => controller.error(new Error("the line was cut")),
  });
  await expect(spoolBody(broken, join(folder, "file"), limit(1e6))).rejects.toThrow("the line was cut");
});
