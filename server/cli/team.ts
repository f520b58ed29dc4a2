import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { Refusal } from "../../core/refusal";
import { startCluster } from "./cluster";

const USAGE = `bin/team --list
bin/team --operator EMAIL
bin/team --new "NAME" [--currency GBP] [--zone Europe/London] [--address http://127.0.0.1:4173]

Shows the teams of an instance, or makes another one, closed to all others. Prints the link by which its owner joins.
--operator lets somebody make teams on a page of the application, too.
  --data DIR    the data folder of bin/start (.data), when DATABASE_URL is not set`;

const { values } = parseArgs({
  options: {
    list: { type: "boolean" },
    operator: { type: "string" },
    new: { type: "string" },
    currency: { type: "string" },
    zone: { type: "string" },
    address: { type: "string", default: "http://127.0.0.1:4173" },
    data: { type: "string", default: ".data" },
    help: { type: "boolean" },
  },
});

async function main(): Promise<void> {
  if (values.help || (!values.list && values.new === undefined && values.operator === undefined)) {
    process.stdout.write(`${USAGE}\n`);
    process.exitCode = values.help ? 0 : 2;
    return;
  }
  const data = resolve(values.data);
  process.env["STENCILCRAFT_DATA"] ??= data;
  process.env["LOG_LEVEL"] ??= "warn";
  const cluster = process.env["DATABASE_URL"] ? null : await startCluster(data);
  if (cluster) process.env["DATABASE_URL"] = cluster.url;
  const { closeDatabase, database } = await import("../db/connect");
  const { migrate } = await import("../db/migrate");
  const { letOperate, makeTeam, teamsHere } = await import("../people/newTeam");
  try {
    await migrate(database());
    if (values.new !== undefined) {
      const token = await makeTeam({ name: values.new, currency: values.currency, zone: values.zone });
      process.stdout.write(`${new URL(`/join/${token}`, values.address).href}\n`);
    } else if (values.operator !== undefined)
      process.stdout.write(`${await letOperate(values.operator)} makes teams from now on, on the page “Teams here”.\n`);
    else
      for (const { name, members, isDemo } of await teamsHere())
        process.stdout.write(`${name}\t${members} people${isDemo ? "\tdemo" : ""}\n`);
  } finally {
    await closeDatabase();
    if (cluster?.started) await cluster.stop();
  }
}

await main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Refusal ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
