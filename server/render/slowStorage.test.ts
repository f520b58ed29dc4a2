import { mkdir, mkdtemp, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import S3rver from "s3rver";
import { closeTeamEvents, onTeamEvent } from "../events/teamEvents";
import { renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { askedRenditions } from "../testing/askedRenditions";
import { probedFrames } from "../testing/probedFrames";
import { type TestTeam, testTeam } from "../testing/team";
import { type PaintPool, openPaintPool } from "./paintPool";
import { renderRendition } from "./renditionJob";
import { localPainter } from "./segmentPainter";

/** Every answer of the bucket takes so long; the first time that something is asked for it is busy. */
const SLOW_MS = 250;

let folder: string;
let bucket: S3rver;
let team: TestTeam;
let pool: PaintPool;
const sent: string[] = [];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  bucket = new S3rver({
    ...{ address: "127.0.0.1", port: 0, silent: true, directory: join(folder, "bucket") },
    configureBuckets: [{ name: "media", configs: [] }],
  });
  const asked = new Set<string>();
  bucket.middleware.unshift(async (context, next) => {
    await sleep(SLOW_MS);
    const wish = `${context.method} ${context.path}`;
    if (!asked.has(wish)) {
      asked.add(wish);
      context.status = 503;
      return;
    }
    await next();
    if (context.method === "PUT" && context.status === 200) sent.push(context.path);
  });
  const { port } = await bucket.run();
  await mkdir(join(folder, "data"));
  // Before anything reads the settings: this file's modules are its own.
  Object.assign(process.env, {
    ...{ STENCILCRAFT_DATA: join(folder, "data"), S3_BUCKET: "media", S3_ENDPOINT: `http://127.0.0.1:${port}` },
    ...{ S3_ACCESS_KEY_ID: "S3RVER", S3_SECRET_ACCESS_KEY: "S3RVER" },
  });
  pool = openPaintPool(2);
  team = await testTeam();
});
afterAll(async () => {
  await pool.close();
  await team.close();
  await closeTeamEvents();
  await bucket.close();
  await rm(folder, { recursive: true });
});

test("where storage is slow and often busy, renditions are ready late, whole, and are sent once", async () => {
  const ready: string[] = [];
  const off = onTeamEvent(team.scope.teamId, (event) => {
    if (event.topic === "rendition" && event.state === "ready") ready.push(event.id);
  });
  const ids = await askedRenditions(team, 500, 3);
  const wish = (rendition: string) => ({ rendition, asking: 1, isDraft: true, team: team.scope.teamId });
  await Promise.all(ids.map((id) => renderRendition(team.scope.connection, localPainter(pool), wish(id))));
  // A job that is run again has nothing to do.
  await Promise.all(ids.map((id) => renderRendition(team.scope.connection, localPainter(pool), wish(id))));
  off();
  const rows = await team.scope.select("rendition").select(["id", "state", "problem", "file"]).execute();
  for (const { id, state, problem, file } of rows) {
    expect([state, problem]).toEqual(["ready", null]);
    const path = await store().local(renditionKey(id));
    const { frames, bytes } = file as { frames: number; bytes: number };
    expect(await probedFrames(path)).toBe(frames);
    expect((await stat(path)).size).toBe(bytes);
    expect(sent.filter((key) => key.endsWith(renditionKey(id)))).toHaveLength(1);
  }
  expect(rows.map(({ id }) => id).toSorted()).toEqual([...ids].toSorted());
  expect(new Set(ready).size).toBe(ready.length);
}, 120_000);
