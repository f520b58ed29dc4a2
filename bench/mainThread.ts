import { readFile } from "node:fs/promises";
import { type Page } from "@playwright/test";
import { array, number, object, string } from "yup";

/** The main thread is blocked where a task takes longer (Long Tasks API). */
const BLOCKED_MS = 50;

/** A task of a page's main thread, in milliseconds. */
interface Task {
  /** By the clock: with what it waited for a processor. */
  readonly took: number;
  /** What it worked itself. */
  readonly worked: number;
}
export interface TaskRecord {
  readonly tasks: readonly Task[];
  /** The share of processor time that other machines on the same host took meanwhile; null where nobody says. */
  readonly stolen: number | null;
}

/** The Trace Event Format, as far as it is read here. Times in microseconds. */
const traceFile = object({
  traceEvents: array(
    object({
      name: string().defined(),
      ph: string().defined(),
      pid: number().required(),
      tid: number().required(),
      dur: number().optional(),
      tdur: number().optional(),
      args: object({ name: string().optional() }).optional(),
    }),
  ).required(),
});

/** What the main thread of a page does while something is done to it. */
export async function mainThreadTasks(page: Page, act: () => Promise<void>): Promise<TaskRecord> {
  const browser = page.context().browser();
  if (!browser) throw new Error("The page has no browser of its own to be traced.");
  const before = await processorTimes();
  await browser.startTracing(page, { categories: ["toplevel"] });
  await act();
  const trace: unknown = JSON.parse((await browser.stopTracing()).toString());
  const after = await processorTimes();
  const { traceEvents } = traceFile.validateSync(trace, { strict: true });
  const key = ({ pid, tid }: { readonly pid: number; readonly tid: number }): string => `${pid}/${tid}`;
  const mains = new Set(traceEvents.filter(({ args }) => args?.name === "CrRendererMain").map(key));
  return {
    tasks: traceEvents
      .filter((event) => event.ph === "X" && event.name.endsWith("RunTask") && mains.has(key(event)))
      .map(({ dur = 0, tdur = 0 }) => ({ took: dur / 1000, worked: tdur / 1000 })),
    stolen: before && after ? (after.stolen - before.stolen) / Math.max(1, after.all - before.all) : null,
  };
}

/** The counters of `/proc/stat` (proc(5)): all of the processors' time, and what was stolen of it. */
async function processorTimes(): Promise<{ readonly all: number; readonly stolen: number } | null> {
  const stat = await readFile("/proc/stat", "utf8").catch(() => null);
  const counted = stat?.split("\n")[0]?.trim().split(/\s+/).slice(1, 9).map(Number);
  return counted ? { all: counted.reduce((sum, one) => sum + one, 0), stolen: counted[7] ?? 0 } : null;
}

/** How often tasks blocked the main thread, by the clock and by their own work. */
export function blockedInWords({ tasks, stolen }: TaskRecord): string {
  const said = (times: readonly number[]): string => {
    const count = times.filter((time) => time > BLOCKED_MS).length;
    return `${count === 0 ? "never" : `${count} times`} over ${BLOCKED_MS} ms, ${Math.max(0, ...times).toFixed(0)} ms at most`;
  };
  const own = said(tasks.map(({ worked }) => worked));
  const clock = said(tasks.map(({ took }) => took));
  const share = stolen === null ? "unknown" : `${(100 * stolen).toFixed(0)} %`;
  return `${own} of its own work; ${clock} by the clock (processor time stolen by other machines: ${share})`;
}
