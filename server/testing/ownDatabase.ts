import { randomUUID } from "node:crypto";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pg from "pg";

/**
 * Gives a test a database and a data folder of its own, for what looks at all teams or all files. To be called before
 * anything reads the configuration; what is given drops both.
 */
export async function ownDatabase(): Promise<() => Promise<void>> {
  const shared = process.env["DATABASE_URL"] ?? "";
  const name = `own_${randomUUID().replaceAll("-", "")}`;
  const ask = async (text: string): Promise<void> => {
    const client = new pg.Client({ connectionString: shared });
    await client.connect();
    await client.query(text);
    await client.end();
  };
  await ask(`create database ${name}`);
  const data = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  const url = new URL(shared);
  url.pathname = name;
  process.env["DATABASE_URL"] = url.href;
  process.env["STENCILCRAFT_DATA"] = data;
  return async () => {
    await ask(`drop database ${name} with (force)`);
    await rm(data, { recursive: true, force: true });
  };
}
