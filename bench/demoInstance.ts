import { resolve } from "node:path";
import { startCluster } from "../server/cli/cluster";

/** Opens the database of a data folder, with the demo world in it, for a measurement. Call `close` at the end. */
export async function openDemoData(folder: string): Promise<{ close: () => Promise<void> }> {
  const data = resolve(folder);
  process.env["STENCILCRAFT_DATA"] = data;
  const cluster = await startCluster(data);
  process.env["DATABASE_URL"] = cluster.url;
  const { closeDatabase, database } = await import("../server/db/connect");
  const { migrate } = await import("../server/db/migrate");
  const { loadDemo } = await import("../demo/loadDemo");
  await migrate(database());
  await loadDemo(database(), (step) => console.error(step));
  return {
    async close() {
      await closeDatabase();
      if (cluster.started) await cluster.stop();
    },
  };
}
