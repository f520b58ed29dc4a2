import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sha256Of } from "./sha256";

let folder: string;
beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), "stencilcraft-sha-"))));
afterAll(() => rm(folder, { recursive: true }));

// Source: the examples of FIPS 180-2, appendix B (one block, many blocks).
test.each([
  ["abc", "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"],
  ["a".repeat(1_000_000), "cdc76e5c9914fb9281a1c7e284d73e67f1809a48a497200e046d39ccc7112cd0"],
])("the published digest of a message is found", async (message, digest) => {
  const path = join(folder, "message");
  await writeFile(path, message);
  expect(await sha256Of(path)).toBe(digest);
});

test("a file that is not there is a problem, not an empty message", async () => {
  await expect(sha256Of(join(folder, "nothing"))).rejects.toThrow("ENOENT");
});
