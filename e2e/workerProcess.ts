import { execFileSync } from "node:child_process";

/** The worker process of the instance under test: the child of its start command that carries that title. Null between two. */
export function findWorker(): number | null {
  const rows = execFileSync("ps", ["-eo", "pid=,ppid=,comm="])
    .toString()
    .trim()
    .split("\n")
    .map((row) => row.trim().split(/\s+/));
  const row = rows.find(
    ([, parent, title]) => parent === process.env["INSTANCE_PID"] && title?.startsWith("stencilcraft-wo"),
  );
  return row ? Number(row[0]) : null;
}
