import { mkdtemp, readFile, readdir, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { brotliDecompressSync, gunzipSync } from "node:zlib";
import { compressAssets } from "./compressAssets";

test("scripts and styles are written once more in both ways, smaller and the same; pictures and small files are not", async () => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  const script = Buffer.from("export const pot = 1;\n".repeat(400));
  await Promise.all([
    writeFile(join(folder, "page.js"), script),
    writeFile(join(folder, "tiny.js"), "1"),
    writeFile(join(folder, "face.woff2"), Buffer.alloc(5000)),
  ]);
  await compressAssets(folder);
  expect((await readdir(folder)).sort()).toEqual(["face.woff2", "page.js", "page.js.br", "page.js.gz", "tiny.js"]);
  const [gzip, brotli] = await Promise.all(["gz", "br"].map((kind) => readFile(join(folder, `page.js.${kind}`))));
  expect(gunzipSync(gzip ?? "")).toEqual(script);
  expect(brotliDecompressSync(brotli ?? "")).toEqual(script);
  expect(gzip?.length).toBeLessThan(script.length / 10);
  await rm(folder, { recursive: true });
});
