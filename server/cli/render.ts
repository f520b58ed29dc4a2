import { existsSync, mkdirSync } from "node:fs";
import { rename, writeFile } from "node:fs/promises";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { ValidationError } from "yup";
import { formatsInOrder } from "../../core/document/formatList";
import { type FormatName, NAMED_FORMATS, isFormatName } from "../../core/placement/formats";
import { SHIPPED_TEMPLATES } from "../../core/templates/shipped";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { type Output, readOutput, usualOutput } from "../../core/output/output";
import { USUAL_RATE } from "../../core/output/rates";
import { startCluster } from "./cluster";
import { ticksOf } from "../../core/time/ticks";

const USAGE = `bin/render --promotion SLUG [--formats square,vertical,widescreen] [--quality 480p|720p|1080p|2160p]
           [--kind mp4|hevc|webm|av1|webp|gif|still|sound] [--rate 30] [--most-bytes N] [--out DIR]
bin/render --still SLUG --format F --at SECONDS --out FILE.png
bin/render --contact TEMPLATE [--brand BRAND] --out FILE.png
bin/render --list
bin/render --list-templates

Renders promotions without a browser, through the same plan, painter and encoder as the web application.
  --data DIR    the data folder of bin/start (.data), when DATABASE_URL is not set`;

const { values } = parseArgs({
  options: {
    promotion: { type: "string" },
    formats: { type: "string" },
    quality: { type: "string", default: "1080p" },
    kind: { type: "string", default: "mp4" },
    rate: { type: "string", default: USUAL_RATE },
    "most-bytes": { type: "string" },
    out: { type: "string" },
    still: { type: "string" },
    format: { type: "string" },
    at: { type: "string" },
    list: { type: "boolean" },
    "list-templates": { type: "boolean" },
    contact: { type: "string" },
    brand: { type: "string" },
    data: { type: "string", default: ".data" },
    help: { type: "boolean" },
  },
});

/** A mistake in the command line, said without a stack. */
class UsageProblem extends Error {}

async function main(): Promise<void> {
  if (values["list-templates"]) {
    listTemplates();
    return;
  }
  if (values.help || !(values.list || values.promotion || values.still || values.contact)) {
    process.stdout.write(`${USAGE}\n`);
    process.exitCode = values.help ? 0 : 2;
    return;
  }
  const data = resolve(values.data);
  process.env["STENCILCRAFT_DATA"] ??= data;
  process.env["LOG_LEVEL"] ??= "warn";
  // Listing is no reason to make a database and a demo world.
  if (values.list && !process.env["DATABASE_URL"] && !existsSync(join(data, "database-password")))
    throw new UsageProblem(`There is no database in ${values.data} yet. Start Stencilcraft once with bin/start.`);
  const cluster = process.env["DATABASE_URL"] ? null : await startCluster(data);
  if (cluster) process.env["DATABASE_URL"] = cluster.url;
  const { database, closeDatabase } = await import("../db/connect");
  try {
    const { migrate } = await import("../db/migrate");
    await migrate(database());
    // A data folder of our own that was never started gets the demo world, as bin/start gives it.
    if (cluster)
      await (await import("../../demo/loadDemo")).loadDemo(database(), (step) => process.stderr.write(`${step}\n`));
    if (values.list) await list();
    else if (values.still) await still(values.still);
    else if (values.contact) await contact(values.contact);
    else await render(values.promotion ?? "");
  } finally {
    await closeDatabase();
    if (cluster?.started) await cluster.stop();
  }
}

async function list(): Promise<void> {
  const { database } = await import("../db/connect");
  const rows = await database()
    .selectFrom("promotion")
    .innerJoin("team", "team.id", "promotion.team_id")
    .select(["slug", "promotion.name", "team.name as team"])
    .orderBy("slug")
    .execute();
  for (const { slug, name, team } of rows) process.stdout.write(`${slug}\t${name}\t${team}\n`);
}

function listTemplates(): void {
  for (const { slug, name, purpose, about } of SHIPPED_TEMPLATES)
    process.stdout.write(`${slug}\t${name}\t${purpose}\t${about}\n`);
}

/** Writes the contact sheet of a template, in a brand named by its name; in the first brand there is when none is named. */
async function contact(template: string): Promise<void> {
  if (!values.out) throw new UsageProblem("--contact needs --out: the PNG file to write.");
  const { database } = await import("../db/connect");
  const { teamScope } = await import("../db/teamScope");
  const { contactSheet } = await import("../render/contactSheet");
  const { readBrandBook } = await import("../../core/brand/book");
  const rows = await database().selectFrom("brand").selectAll().orderBy("name").execute();
  const row =
    values.brand === undefined
      ? rows[0]
      : rows.find(({ name }) => name.toLowerCase().startsWith(String(values.brand).toLowerCase()));
  if (!row)
    throw new UsageProblem(
      `There is no brand “${values.brand ?? ""}”. There are: ${rows.map(({ name }) => name).join(", ")}.`,
    );
  const scope = teamScope(database(), row.team_id);
  const { newestTemplate } = await import("../templates/templateStore");
  const found = await newestTemplate(scope, template);
  if (!found)
    throw new UsageProblem(`There is no template “${template}”. bin/render --list-templates shows those there are.`);
  await writeFile(
    resolve(values.out),
    await contactSheet(scope, found, { id: row.id, name: row.name, book: readBrandBook(row.book) }),
  );
}

async function inputOf(slug: string) {
  const { database } = await import("../db/connect");
  const { teamScope } = await import("../db/teamScope");
  const { promotionBySlug } = await import("../promotions/promotionStore");
  const { loadRenderInput } = await import("../promotions/loadFacts");
  const rows = await database().selectFrom("promotion").select(["slug", "team_id"]).where("slug", "=", slug).execute();
  const [row] = rows;
  if (!row) throw new UsageProblem(`There is no promotion “${slug}”. bin/render --list shows those there are.`);
  if (rows.length > 1) throw new UsageProblem(`Several teams have a promotion “${slug}”. Rename one of them.`);
  const scope = teamScope(database(), row.team_id);
  return loadRenderInput(scope, (await promotionBySlug(scope, slug)).document);
}

const FORMATS_IN_WORDS = `${NAMED_FORMATS.join(", ")}, or a ratio such as 5x7`;

function readFormat(name: string): FormatName {
  if (!isFormatName(name)) throw new UsageProblem(`There is no format “${name}”. There are ${FORMATS_IN_WORDS}.`);
  return name;
}

/** How files are to be made, from the command line. */
function readWantedOutput(): Output {
  const limit = values["most-bytes"];
  try {
    return readOutput({
      ...usualOutput("1080p"),
      ...{ kind: values.kind, quality: values.quality, rate: values.rate },
      mostBytes: limit === undefined ? null : Number(limit),
    });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    throw new UsageProblem(`${error.path ?? "output"}: ${error.message}`);
  }
}

async function render(slug: string): Promise<void> {
  const asked = values.formats?.split(",").map(readFormat);
  const output = readWantedOutput();
  const input = await inputOf(slug);
  const formats = asked ?? formatsInOrder(input.document);
  const out = resolve(values.out ?? ".");
  mkdirSync(out, { recursive: true });
  const { openPaintPool } = await import("../render/paintPool");
  const { renderFile } = await import("../render/renderFile");
  const { localPainter } = await import("../render/segmentPainter");
  const pool = openPaintPool();
  const painter = localPainter(pool);
  const shares = new Map<string, number>();
  let told = -1;
  const tell = (format: string, share: number): void => {
    shares.set(format, share);
    const percent = Math.floor((100 * [...shares.values()].reduce((sum, one) => sum + one, 0)) / formats.length);
    if (percent === told) return;
    told = percent;
    process.stderr.write(
      process.stderr.isTTY ? `\rRendering ${percent} %` : percent % 10 === 0 ? `Rendering ${percent} %\n` : "",
    );
  };
  const stop = new AbortController();
  for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => stop.abort());
  try {
    const files = await Promise.all(
      formats.map(async (format) => {
        const path = join(out, `${slug}-${format}-${output.quality}.${FILE_KINDS[output.kind].ending}`);
        const aside = `${path}.part`;
        const { file } = await renderFile(
          painter,
          { input, choice: { format, output }, path: aside },
          (share) => tell(format, share),
          stop.signal,
        );
        await rename(aside, path);
        return { path, ...file };
      }),
    );
    if (process.stderr.isTTY) process.stderr.write("\n");
    for (const file of files) process.stdout.write(`${JSON.stringify(file)}\n`);
  } finally {
    await pool.close();
  }
}

async function still(slug: string): Promise<void> {
  const { format, at, out } = values;
  if (format === undefined) throw new UsageProblem(`--still needs --format: ${FORMATS_IN_WORDS}.`);
  const seconds = Number(at);
  if (at === undefined || !Number.isFinite(seconds) || seconds < 0)
    throw new UsageProblem("--still needs --at: a time in seconds, such as 2.5.");
  if (!out) throw new UsageProblem("--still needs --out: the PNG file to write.");
  const { openFrameSource } = await import("../render/frameSource");
  const source = await openFrameSource(await inputOf(slug), { format: readFormat(format), quality: "1080p" });
  try {
    await writeFile(resolve(out), await source.pngAt(ticksOf(seconds * 1000)));
  } finally {
    source.stop();
  }
}

await main().catch((error: unknown) => {
  process.stderr.write(
    `${error instanceof UsageProblem ? error.message : error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exitCode = 1;
});
process.exit();
