import { randomUUID } from "node:crypto";
import { mkdtemp, readFile, readdir, rm } from "node:fs/promises";
import { hostname, tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import { expect, test } from "@playwright/test";
import { USUAL_FORMATS } from "../../core/placement/formats";
import { randomFrom } from "../../core/testing/randomFrom";
import { whileStopped } from "../../server/cli/cluster";
import { closeDatabase } from "../../server/db/connect";
import { renditionKey } from "../../server/storage/keys";
import { store } from "../../server/storage/store";
import { isAlive } from "../../server/workFolder";
import { ffmpeg, ffprobe } from "../files";
import { signInAs } from "../people";
import { query } from "../query";
import { shortRenders } from "./shortRenders";
import { findWorker } from "../instanceProcesses";
import { bringFile } from "../bringFile";

const KILLS = 20;
const FRAMES = "60";
/** The first of them in all formats, the others in one. */
const PROMOTIONS = 30;
const IN_ALL = 4;
const CLIPS = 6;
/** After so many kills the database is started again too. */
const RESTART_AFTER = 10;
const OUTAGE_MS = 5000;

let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
});
test.afterAll(async () => {
  await rm(folder, { recursive: true });
  await closeDatabase();
});

interface Row {
  readonly id: string;
  readonly state: string;
  readonly problem: string | null;
}

test("twenty workers killed and the database away while thirty promotions and six clips are under way: each is done once, whole", async ({
  page,
}) => {
  test.setTimeout(900_000);
  const seed = Number(process.env["TEST_SEED"] ?? 1);
  const random = randomFrom(seed);
  const renditions: string[] = [];
  for (let at = 0; at < PROMOTIONS; at++)
    renditions.push(...(await shortRenders(`killed-${at + 1}`, at < IN_ALL ? USUAL_FORMATS : ["square"])));
  expect(renditions).toHaveLength(3 * IN_ALL + PROMOTIONS - IN_ALL);
  await signInAs(page, "Imre Vass");
  const clips: string[] = [];
  for (let clip = 0; clip < CLIPS; clip++) {
    const path = join(folder, `killed ${clip}.mp4`);
    await ffmpeg(
      "-f",
      "lavfi",
      "-i",
      `testsrc2=size=640x360:rate=30:duration=${2 + clip}`,
      "-metadata",
      `comment=${randomUUID()}`,
      "-pix_fmt",
      "yuv420p",
      path,
    );
    const sent = await bringFile(page, `killed ${clip}.mp4`, await readFile(path));
    expect(sent.status()).toBe(201);
    clips.push(((await sent.json()) as Row).id);
  }

  let killed = 0;
  while (killed < KILLS) {
    await sleep(200 + random() * 1300);
    const pid = findWorker();
    if (pid === null) continue;
    process.kill(pid, "SIGKILL");
    if (++killed === RESTART_AFTER)
      await whileStopped(process.env["STENCILCRAFT_DATA"] ?? "", async () => {
        await sleep(OUTAGE_MS);
      });
  }

  const lastKill = Date.now();
  const states = async (table: string, ids: readonly string[]): Promise<Row[]> =>
    query<Row>(`select id, state, problem from ${table} where id = any($1::uuid[])`, [ids]);
  await expect
    .poll(async () => (await states("rendition", renditions)).filter(({ state }) => state !== "ready"), {
      timeout: 480_000,
    })
    .toEqual([]);
  await expect
    .poll(async () => (await states("media", clips)).filter(({ state }) => state !== "ready"), { timeout: 60_000 })
    .toEqual([]);
  process.stdout.write(
    `All was done ${Math.round((Date.now() - lastKill) / 1000)} s after the last of ${killed} kills.\n`,
  );

  for (const id of renditions)
    expect((await ffprobe(await store().local(renditionKey(id)))).video["nb_read_frames"]).toBe(FRAMES);
  expect((await states("rendition", renditions)).filter(({ problem }) => problem !== null)).toEqual([]);
  const kept = await store().list("renditions");
  for (const id of renditions) expect(kept.filter((name) => name.startsWith(id))).toEqual([`${id}.mp4`]);
  const waiting = await query(
    `select id from graphile_worker._private_jobs
     where payload ->> 'rendition' = any($1) or payload ->> 'media' = any($2)`,
    [renditions, clips],
  );
  expect(waiting).toEqual([]);
  // No folder is left but those of processes that live.
  const left = await readdir(join(process.env["STENCILCRAFT_DATA"] ?? "", "work"));
  const dead = left.filter((name) => !isAlive(Number(name.slice(hostname().length + 1))));
  expect(dead).toEqual([]);
});
