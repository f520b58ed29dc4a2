import { sendMessage } from "execa";
import { loadDemo } from "../../demo/loadDemo";
import { closeDatabase, database } from "../db/connect";

/**
 * Loads the demo world in a process of its own: what it takes to make pictures is given back when it ends. Its parent is
 * told when the world can be looked at. `--leave-clips` leaves clips to a worker, and goes on until they are read in.
 */
process.title = "stencilcraft-demo";
try {
  const leavesClips = process.argv.includes("--leave-clips");
  const { kept } = await loadDemo(database(), (step) => process.stderr.write(`${step}\n`), { leavesClips });
  if (process.channel) await sendMessage("loaded");
  await kept();
} finally {
  await closeDatabase();
}
