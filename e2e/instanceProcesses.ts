import { execFileSync } from "node:child_process";

/** Names are cut by the system after so many letters. */
const LONGEST_NAME = 15;

/** A process of the instance under test: the child of its start command that carries that title. Null between two. */
function findProcess(kind: "web" | "worker"): number | null {
  const rows = execFileSync("ps", ["-eo", "pid=,ppid=,comm="])
    .toString()
    .trim()
    .split("\n")
    .map((row) => row.trim().split(/\s+/));
  const name = `stencilcraft-${kind}`.slice(0, LONGEST_NAME);
  const row = rows.find(([, parent, title]) => parent === process.env["INSTANCE_PID"] && title === name);
  return row ? Number(row[0]) : null;
}

export const findWorker = (): number | null => findProcess("worker");
export const findWebServer = (): number | null => findProcess("web");
