import { loadDemo } from "../../demo/loadDemo";
import { closeDatabase, database } from "../db/connect";

/** Loads the demo world in a process of its own: what it takes to make pictures and clips is given back when it ends. */
process.title = "stencilcraft-demo";
try {
  await loadDemo(database(), (step) => process.stderr.write(`${step}\n`));
} finally {
  await closeDatabase();
}
