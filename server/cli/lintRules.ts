import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { parseArgs } from "node:util";
import { execa } from "execa";

/**
 * Rules are written in eslint.config.js alone; .oxlintrc.json is made from it for the native linter. Fails when the two
 * differ; `--write` makes it anew. Why there are two: docs/decisions/lint-with-types.md.
 */
const MADE = ".oxlintrc.json";
const { values } = parseArgs({ options: { write: { type: "boolean", default: false } } });

const folder = await mkdtemp(join(tmpdir(), "stencilcraft-lint-"));
try {
  const made = join(folder, "rules.json");
  const options = ["--type-aware", "--with-nursery", "--js-plugins=false"];
  const output = ["--output-file", relative(".", made)];
  await execa("node_modules/.bin/migrate", [...options, ...output, "eslint.config.js"]);
  const wanted = `${(await readFile(made, "utf8")).trimEnd()}\n`;
  if (values.write) await writeFile(MADE, wanted);
  else if (wanted !== (await readFile(MADE, "utf8"))) {
    console.error(`${MADE} is not what eslint.config.js says. Make it anew: npm run lint:rules`);
    process.exitCode = 1;
  }
} finally {
  await rm(folder, { recursive: true, force: true });
}
