import { setTimeout as sleep } from "node:timers/promises";
import { type TeamScope } from "../db/teamScope";
import { UploadProblem } from "./uploadProblem";

const ASKED_EVERY_MS = 150;
const LONGEST_WAIT_MS = 60_000;

/** Resolves when items have been read in. Throws an UploadProblem, with words, when one could not be, or none has time. */
export async function untilReadIn(
  scope: TeamScope,
  ids: readonly string[],
  longestWaitMs = LONGEST_WAIT_MS,
): Promise<void> {
  if (ids.length === 0) return;
  for (const until = Date.now() + longestWaitMs; Date.now() < until;) {
    const items = await scope
      .media()
      .select(["state", "name", "problem"])
      .where("id", "in", [...ids])
      .execute();
    const failed = items.find(({ state }) => state === "failed");
    if (failed) throw new UploadProblem(failed.problem ?? `“${failed.name}” could not be read in.`);
    if (items.every(({ state }) => state === "ready")) return;
    await sleep(ASKED_EVERY_MS);
  }
  throw new UploadProblem("Other files are still being read in. What was spoken will be among your sounds in a while.");
}
