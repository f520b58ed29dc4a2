import { usualOutput } from "../../core/output/output";
import { writeFile } from "node:fs/promises";
import { sql } from "kysely";
import { type RenditionEvent } from "../../core/team/teamEvent";
import { closeTeamEvents, onTeamEvent } from "../events/teamEvents";
import { renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { askedRenditions } from "../testing/askedRenditions";
import { probedFrames } from "../testing/probedFrames";
import { type TestTeam, testTeam } from "../testing/team";
import { until } from "../testing/until";
import { type PaintPool, openPaintPool } from "./paintPool";
import { giveUpRendition, renderRendition } from "./renditionJob";
import { localPainter } from "./segmentPainter";
import { cancelRendition, retryRendition } from "./renditions";

let team: TestTeam;
let pool: PaintPool;
let told: RenditionEvent[];
let off: () => void;
beforeAll(() => {
  pool = openPaintPool(2);
});
afterAll(async () => {
  await pool.close();
  await closeTeamEvents();
});
beforeEach(async () => {
  team = await testTeam();
  told = [];
  off = onTeamEvent(team.scope.teamId, (event) => {
    if (event.topic === "rendition") told.push(event);
  });
});
afterEach(async () => {
  off();
  await team.close();
});

async function asked(length: number): Promise<string> {
  const [id = ""] = await askedRenditions(team, length);
  return id;
}
const rowOf = (id: string) => team.scope.select("rendition").selectAll().where("id", "=", id).executeTakeFirstOrThrow();
const render = async (id: string, by = pool) =>
  renderRendition(team.scope.connection, localPainter(by), { rendition: id, asking: (await rowOf(id)).asking });

test("a rendition becomes a file in the store with all its frames, and the team is told", async () => {
  const id = await asked(500);
  expect((await rowOf(id)).state).toBe("waiting");
  await render(id);
  const { state, progress, file, file_key } = await rowOf(id);
  expect([state, progress, file_key]).toEqual(["ready", 1, renditionKey(id)]);
  const path = await store().local(renditionKey(id));
  const { frames } = file as { frames: number };
  expect(frames).toBeGreaterThan(10);
  expect(await probedFrames(path)).toBe(frames);
  await until(() => told.some((event) => event.id === id && event.state === "ready" && event.progress === 1));
  // That it waits may have been told before anybody listened.
  const { slug, name } = await team.scope.select("promotion").select(["slug", "name"]).executeTakeFirstOrThrow();
  const begun = told.find(({ state }) => state !== "waiting");
  expect(begun).toEqual({
    topic: "rendition",
    id,
    promotion: slug,
    name,
    by: null,
    left: 1,
    state: "working",
    progress: 0,
  });
});

test("a job that runs twice paints once: what is ready stays as it is", async () => {
  const id = await asked(500);
  await render(id);
  const before = await rowOf(id);
  const idle: PaintPool = { render: () => Promise.reject(new Error("painted again")), close: () => Promise.resolve() };
  await render(id, idle);
  expect(await rowOf(id)).toEqual(before);
});

test("segments that were painted before are not painted again, even for another rendition", async () => {
  const first = await asked(500);
  await render(first);
  const other = (
    await team.scope.select("rendition").select("render_id").where("id", "=", first).executeTakeFirstOrThrow()
  ).render_id;
  const { id } = await team.scope
    .insert("rendition", {
      render_id: other,
      format: "square",
      output: JSON.stringify(usualOutput("480p")),
      file: null,
      file_key: null,
      problem: null,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const idle: PaintPool = { render: () => Promise.reject(new Error("painted again")), close: () => Promise.resolve() };
  await render(id, idle);
  expect((await rowOf(id)).state).toBe("ready");
});

test("one that was cancelled before its turn is not painted; taken up again, it is", async () => {
  const id = await asked(500);
  await cancelRendition(team.scope, id);
  await render(id);
  expect(await rowOf(id)).toMatchObject({ state: "cancelled", file_key: null });
  await retryRendition(team.scope, id);
  await render(id);
  expect((await rowOf(id)).state).toBe("ready");
});

test("one that is cancelled while it is painted stops soon, without a file and without a complaint", async () => {
  const id = await asked(20_000);
  const rendering = render(id);
  await until(async () => (await rowOf(id)).progress > 0);
  await cancelRendition(team.scope, id);
  await rendering;
  expect(await rowOf(id)).toMatchObject({ state: "cancelled", file_key: null });
  expect(await store().has(renditionKey(id))).toBe(false);
});

test("one that fails goes back to the queue as it is; after the last try it says so, and can be taken up again", async () => {
  const id = await asked(500);
  const broken: PaintPool = {
    render: () => Promise.reject(new Error("no more memory")),
    close: () => Promise.resolve(),
  };
  await expect(render(id, broken)).rejects.toThrow("no more memory");
  expect((await rowOf(id)).state).toBe("working");
  await giveUpRendition(team.scope.connection, { rendition: id, asking: 1 }, "failed");
  expect(await rowOf(id)).toMatchObject({ state: "failed", problem: expect.stringContaining("Press Retry") as string });
  await until(() => told.some(({ state }) => state === "failed"));
  await retryRendition(team.scope, id);
  await render(id);
  expect(await rowOf(id)).toMatchObject({ state: "ready", problem: null });
});

test("one that is cancelled and taken up again at once is made by the new job alone", async () => {
  const id = await asked(20_000);
  const first = render(id);
  await until(async () => (await rowOf(id)).progress > 0);
  await cancelRendition(team.scope, id);
  await retryRendition(team.scope, id);
  // The first is not told of the cancelling, but that it was asked for again; it ends without a file.
  await first;
  expect(await rowOf(id)).toMatchObject({ state: "waiting", asking: 2, file_key: null });
  const { rows } = await sql`
    select id from graphile_worker._private_jobs
    where payload ->> 'rendition' = ${id} and key is not null`.execute(team.scope.connection);
  expect(rows).toHaveLength(1);
});

test("when a segment fails, the others are stopped before the folder that they write to is cleared", async () => {
  const id = await asked(500);
  let [begun, stopped] = [0, 0];
  let allBegun = (): void => undefined;
  const others = new Promise<void>((resolve) => (allBegun = resolve));
  const halfBroken: PaintPool = {
    render: async ({ path }, _onFrame, signal) => {
      if (begun++ === 0) {
        await others;
        throw new Error("no more memory");
      }
      allBegun();
      await new Promise((resolve) => signal.addEventListener("abort", resolve));
      stopped++;
      // The folder is there still.
      await writeFile(path, "late");
      throw new Error("stopped");
    },
    close: () => Promise.resolve(),
  };
  await expect(render(id, halfBroken)).rejects.toThrow("no more memory");
  expect(begun).toBeGreaterThan(1);
  expect(stopped).toBe(begun - 1);
});

test("where the disk is full it waits, and says so", async () => {
  const id = await asked(500);
  const full: PaintPool = {
    render: () => Promise.reject(Object.assign(new Error("write"), { code: "ENOSPC" })),
    close: () => Promise.resolve(),
  };
  await expect(render(id, full)).rejects.toThrow("write");
  expect(await rowOf(id)).toMatchObject({
    state: "waiting",
    problem: "The disk that files are kept on is full. It goes on by itself when there is room again.",
  });
  await render(id);
  expect(await rowOf(id)).toMatchObject({ state: "ready", problem: null });
});
