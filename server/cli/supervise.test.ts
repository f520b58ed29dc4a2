import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { isAlive } from "../workFolder";
import { until } from "../testing/until";
import { type Supervised, brokeBefore, supervise } from "./supervise";

let folder: string;
let supervised: Supervised | null = null;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-test-"));
});
afterEach(async () => {
  await supervised?.stop();
  supervised = null;
  await rm(folder, { recursive: true, force: true });
});

/** Runs a program that notes each of its starts: its number, that of a child it has, and what it knows of the one before. */
async function running(then: string): Promise<() => Promise<string[][]>> {
  const [program, notes] = [join(folder, "program.mjs"), join(folder, "notes")];
  await writeFile(
    program,
    `import { spawn } from "node:child_process";
     import { appendFileSync } from "node:fs";
     const child = spawn("sleep", ["600"], { stdio: "ignore" });
     appendFileSync(${JSON.stringify(notes)}, process.pid + "|" + child.pid + "|" + (process.env.STENCILCRAFT_ENDED_BEFORE ?? "") + "\\n");
     ${then}`,
  );
  supervised = supervise({ args: [program], env: process.env });
  const read = async (): Promise<string[][]> =>
    (await readFile(notes, "utf8").catch(() => ""))
      .trim()
      .split("\n")
      .filter((line) => line !== "")
      .map((line) => line.split("|"));
  await until(async () => (await read()).length > 0);
  return read;
}
const STAYS = "setInterval(() => undefined, 1000);";

test("one that is killed is started again soon, without the children of the first, and knows that it did not break", async () => {
  const starts = await running(STAYS);
  const [pid = "", child = ""] = (await starts())[0] ?? [];
  const killedAt = Date.now();
  process.kill(Number(pid), "SIGKILL");
  await until(async () => (await starts()).length === 2);
  expect(Date.now() - killedAt).toBeLessThan(2000);
  await until(() => !isAlive(Number(child)));
  const said = (await starts())[1]?.[2];
  expect(said).toBe(`${pid} STOPPED`);
  expect(brokeBefore(said)).toBeNull();
});

test("one that breaks is started again later each time, and knows which broke", async () => {
  const starts = await running("process.exit(3);");
  await until(async () => (await starts()).length === 3);
  const all = await starts();
  expect(brokeBefore(all[1]?.[2])).toBe(Number(all[0]?.[0]));
  expect(brokeBefore(all[2]?.[2])).toBe(Number(all[1]?.[0]));
});

test("stopping ends it with its children, and it is not started again", async () => {
  const starts = await running(STAYS);
  const [pid = "", child = ""] = (await starts())[0] ?? [];
  await supervised?.stop();
  expect(isAlive(Number(pid))).toBe(false);
  await until(() => !isAlive(Number(child)));
  expect(await starts()).toHaveLength(1);
});
