import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { levelKey } from "../storage/keys";
import { store } from "../storage/store";
import { type TestTeam, testTeam } from "../testing/team";
import { answerWorkingCopy } from "./mediaFile";
import { mediaFacts } from "./storedFacts";

let mine: TestTeam;
let theirs: TestTeam;
let folder: string;
beforeEach(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterEach(async () => {
  await Promise.all([mine.close(), theirs.close()]);
  await rm(folder, { recursive: true });
});

const [BEFORE, AFTER] = ["b".repeat(64), "a".repeat(64)];
/** A picture of the team, with a working copy of each of two files that it has had. */
async function picture(): Promise<string> {
  for (const sha256 of [BEFORE, AFTER]) {
    const path = join(folder, sha256);
    await writeFile(path, `pixels of ${sha256}`);
    await store().keep(levelKey(sha256, 2), path);
  }
  return mine.picture("pot.jpg", { sha256: BEFORE });
}
async function versionOf(id: string): Promise<string> {
  const row = await mine.scope.media().selectAll().where("id", "=", id).executeTakeFirstOrThrow();
  return mediaFacts(row)?.version ?? "";
}
const ask = (id: string, search = "", headers = {}, team = mine): Promise<Response> =>
  answerWorkingCopy(new Request(`http://x/media/${id}/level-2${search}`, { headers }), team.scope, {
    id,
    file: "level-2",
  });

test("who names the version that is there keeps it for good; who does not, or names another, asks each time", async () => {
  const id = await picture();
  const version = await versionOf(id);
  for (const [search, immutable] of [
    [`?of=${version}`, true],
    ["", false],
    ["?of=another", false],
  ] as const) {
    const response = await ask(id, search);
    expect([search, response.headers.get("cache-control")?.includes("immutable")]).toEqual([search, immutable]);
    expect(await response.text()).toBe(`pixels of ${BEFORE}`);
  }
});

test("when its file is replaced its version is another one, and what was kept under the old one is not given as it", async () => {
  const id = await picture();
  const before = await versionOf(id);
  const etag = (await ask(id)).headers.get("etag") ?? "";
  expect((await ask(id, "", { "if-none-match": etag })).status).toBe(304);
  await mine.scope.update("media").set({ sha256: AFTER }).where("id", "=", id).execute();
  expect(await versionOf(id)).not.toBe(before);
  const old = await ask(id, `?of=${before}`, { "if-none-match": etag });
  expect([old.status, old.headers.get("cache-control"), await old.text()]).toEqual([
    200,
    "private, no-cache",
    `pixels of ${AFTER}`,
  ]);
});

test("what is kept for good is so where nothing of it had to be sent, too", async () => {
  const id = await picture();
  const search = `?of=${await versionOf(id)}`;
  const etag = (await ask(id, search)).headers.get("etag") ?? "";
  const again = await ask(id, search, { "if-none-match": etag });
  expect([again.status, again.headers.get("cache-control")]).toEqual([304, "private, max-age=31536000, immutable"]);
});

test("another team gets nothing, whatever version it names", async () => {
  const id = await picture();
  await expect(ask(id, `?of=${await versionOf(id)}`, {}, theirs)).rejects.toMatchObject({ status: 404 });
});
