import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { usualOutput } from "../../core/output/output";
import { shortInput } from "../testing/shortRender";
import { type TestTeam, testTeam } from "../testing/team";
import { estimateRender, timeOf } from "./estimate";
import { openPaintPool } from "./paintPool";
import { localPainter } from "./segmentPainter";
import { renderFile } from "./renderFile";

let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
});
afterAll(() => team.close());

test("what was painted side by side took its time once", () => {
  expect(
    timeOf([
      { from: 0, to: 100 },
      { from: 50, to: 120 },
      { from: 60, to: 90 },
      { from: 200, to: 210 },
    ]),
  ).toBe(130);
  expect(timeOf([])).toBe(0);
});

test("all of what was never rendered is new, nothing of what was; a still and a sound have no frames", async () => {
  const input = shortInput(700, { name: "An estimate", fills: { "notice.headline": { kind: "words", text: "Once" } } });
  const film = { format: "square", output: usualOutput("480p") } as const;
  const before = await estimateRender(team.scope, input, [film]);
  expect(before.frames).toBeGreaterThan(10);
  expect(before.fresh).toBe(before.frames);
  // The same frames in two files are painted once.
  const twice = await estimateRender(team.scope, input, [film, { ...film, output: { ...film.output, kind: "webm" } }]);
  expect([twice.frames, twice.fresh]).toEqual([before.frames * 2, before.frames]);

  const [folder, pool] = [await mkdtemp(join(tmpdir(), "stencilcraft-unit-")), openPaintPool(1)];
  await renderFile(localPainter(pool), { input, choice: film, path: join(folder, "film.mp4") });
  const after = await estimateRender(team.scope, input, [film]);
  expect([after.frames, after.fresh]).toEqual([before.frames, 0]);
  expect(after.seconds).toBeLessThan(before.seconds);
  const still = { ...film, output: { ...film.output, kind: "still" as const } };
  expect(await estimateRender(team.scope, input, [still])).toMatchObject({ frames: 0, fresh: 0 });
  // AAC at 192 kbit/s, as files have it: 24 kB a second.
  const sound = { ...film, output: { ...film.output, kind: "sound" as const } };
  const heard = await estimateRender(team.scope, input, [sound]);
  expect(heard).toMatchObject({ frames: 0, fresh: 0 });
  expect(heard.bytes / ((before.frames / 30) * 24_000)).toBeCloseTo(1, 1);
  const limited = { ...film, output: { ...film.output, mostBytes: 100_000 } };
  expect((await estimateRender(team.scope, input, [limited])).bytes).toBeLessThanOrEqual(100_000);
  await pool.close();
  await rm(folder, { recursive: true });
});
