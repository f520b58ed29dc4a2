import { randomUUID } from "node:crypto";
import { once } from "node:events";
import { readFileSync, readdirSync } from "node:fs";
import { Agent, type IncomingMessage, get } from "node:http";
import { type Kysely, sql } from "kysely";
import { type Database } from "../server/db/tables";
import { openDemoData } from "./demoInstance";
import { signedIn } from "./signedIn";
import { startOwnServer } from "./ownServer";

const PEOPLE = 50;
const EDITORS = 20;
const BROWSE_MS = 20_000;
const SAVE_MS = 10_000;
/** Of each page, before it is measured. */
const WARM = 10;
const TURNS = 40;
/**
 * Of so many pages that somebody sees one is loaded as a whole; to the others they go from there, by their data. No multiple
 * of how many pages there are, so that each of them is loaded as a whole as often.
 */
const WHOLE_EVERY = 21;

const LARGE = { promotions: 500, media: 2000, products: 10_000 };

/** Pages as people go through them. */
const PAGES = (slug: string): readonly string[] => [
  ...["/", "/promotions", "/catalogue", "/catalogue/offers", "/media", "/templates", "/brand-book"],
  ...[`/promotions/${slug}`, `/promotions/${slug}/proof`, `/promotions/${slug}/send`],
];

/** Where the data of a page comes from, for whoever goes to it from another page (React Router's single fetch). */
const dataOf = (page: string): string => (page === "/" ? "/_root.data" : `${page}.data`);

/**
 * Measures pages over loopback: what each costs the web server, loaded as a whole and gone to from another, how many a second
 * fifty people get who go from page to page, and who load each as a whole; how fast twenty editors save; with the demo world,
 * and with a large team.
 */
export async function benchLoad(data: string): Promise<void> {
  const demo = await openDemoData(data);
  const { database } = await import("../server/db/connect");
  const db = database();
  const team = await db.selectFrom("team").select("id").where("is_demo", "=", true).executeTakeFirstOrThrow();
  try {
    await measured(db, data, team.id, "the demo world");
    const grown = await grow(db, team.id);
    try {
      await measured(
        db,
        data,
        team.id,
        `${LARGE.promotions} promotions, ${LARGE.media} media, ${LARGE.products} products`,
      );
    } finally {
      await grown();
    }
  } finally {
    await demo.close();
  }
}

async function measured(db: Kysely<Database>, data: string, team: string, name: string): Promise<void> {
  console.log(`\nWith ${name}`);
  const server = await startOwnServer(data, "fatal");
  try {
    const { address, pid } = server;
    const web = webProcess(pid);
    const cookies = await sessions(db, team, PEOPLE);
    const { slug } = await db
      .selectFrom("promotion")
      .select("slug")
      .where("team_id", "=", team)
      .orderBy("created_at")
      .executeTakeFirstOrThrow();
    const pages = PAGES(slug);
    const isWhole = (seen: number): boolean => seen % WHOLE_EVERY === WHOLE_EVERY - 1;
    // A server that people use has long compiled what it runs all the time.
    await browse(address, pages, cookies, isWhole);
    await browse(address, pages, cookies, () => true);
    for (const page of pages) {
      const gone = await costOf(web, address + dataOf(page), cookies[0] ?? "");
      const whole = await costOf(web, address + page, cookies[0] ?? "");
      console.log(`${page.padEnd(46)} at the median, gone to: ${costInWords(gone)}; as a whole: ${costInWords(whole)}`);
    }
    console.log(`${PEOPLE} people browsing: ${await browse(address, pages, cookies, isWhole)}`);
    console.log(`${PEOPLE} people loading whole pages: ${await browse(address, pages, cookies, () => true)}`);
    console.log(`${EDITORS} editors saving: ${await saveAll(db, address, team, cookies)}`);
  } finally {
    await server.stop();
  }
}

/** The web server's process: the child of the start command that carries that title. */
function webProcess(start: number): number {
  const children = readFileSync(`/proc/${start}/task/${start}/children`, "utf8").trim().split(" ").map(Number);
  const web = children.find((pid) => readFileSync(`/proc/${pid}/comm`, "utf8").startsWith("stencilcraft-we"));
  if (!web) throw new Error("There is no web server.");
  return web;
}

/** CPU time of all threads of a process and of its own processes, in milliseconds (the kernel's sched-stats.rst). */
function cpuOf(pid: number): number {
  const threads = readdirSync(`/proc/${pid}/task`);
  const nanoseconds = threads.map((thread) =>
    Number(readFileSync(`/proc/${pid}/task/${thread}/schedstat`, "utf8").split(" ")[0]),
  );
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, "utf8").split(" ").filter(Boolean).map(Number);
  return [...nanoseconds.map((time) => time / 1e6), ...children.map(cpuOf)].reduce((sum, time) => sum + time, 0);
}

const agent = new Agent({ keepAlive: true });
/** Asks as a browser does, and takes the answer as it comes: what unpacks it is not the server's work. */
async function ask(address: string, cookie: string): Promise<void> {
  const headers = { cookie, "accept-encoding": "gzip" };
  const response = await new Promise<IncomingMessage>((answered, failed) =>
    get(address, { agent, headers }, answered).on("error", failed),
  );
  response.resume();
  await once(response, "end");
  if (response.statusCode !== 200) throw new Error(`${address} answered ${response.statusCode}.`);
}

interface Cost {
  readonly cpu: number;
  readonly ms: number;
}
const costInWords = ({ cpu, ms }: Cost): string => `${cpu.toFixed(0)} ms of CPU in ${ms.toFixed(0)} ms`;

/** What a page costs the web server's processes, at the median. */
async function costOf(web: number, address: string, cookie: string): Promise<Cost> {
  for (let turn = 0; turn < WARM; turn++) await ask(address, cookie);
  const costs: Cost[] = [];
  for (let turn = 0; turn < TURNS; turn++) {
    const before = cpuOf(web);
    const started = performance.now();
    await ask(address, cookie);
    costs.push({ cpu: cpuOf(web) - before, ms: performance.now() - started });
  }
  return {
    cpu: shareOf(
      costs.map(({ cpu }) => cpu),
      0.5,
    ),
    ms: shareOf(
      costs.map(({ ms }) => ms),
      0.5,
    ),
  };
}

const shareOf = (times: readonly number[], share: number): number =>
  [...times].sort((one, other) => one - other)[Math.floor(share * (times.length - 1))] ?? NaN;

/**
 * Each person begins at another page, and at another time of the turn in which one page is loaded as a whole: fifty people do
 * not open their browsers in the same instant.
 *
 * @param isWhole whether what is seen as the so many-th, from 0, is loaded as a whole
 */
async function browse(
  address: string,
  pages: readonly string[],
  cookies: readonly string[],
  isWhole: (seen: number) => boolean,
): Promise<string> {
  const times: number[] = [];
  let errors = 0;
  const end = performance.now() + BROWSE_MS;
  const person = async (cookie: string, first: number): Promise<void> => {
    for (let seen = first; performance.now() < end; seen++) {
      const started = performance.now();
      const page = pages[seen % pages.length] ?? "";
      await ask(address + (isWhole(seen) ? page : dataOf(page)), cookie).then(
        () => times.push(performance.now() - started),
        () => errors++,
      );
    }
  };
  await Promise.all(cookies.map((cookie, index) => person(cookie, index)));
  return `${summary(times, BROWSE_MS, "pages")}, ${errors} errors`;
}

const summary = (times: readonly number[], during: number, what: string): string =>
  [
    `${((times.length * 1000) / during).toFixed(0)} ${what} a second`,
    `half within ${shareOf(times, 0.5).toFixed(0)} ms`,
    `95 % within ${shareOf(times, 0.95).toFixed(0)} ms`,
  ].join(", ");

async function saveAll(
  db: Kysely<Database>,
  address: string,
  team: string,
  cookies: readonly string[],
): Promise<string> {
  const promotions = await db
    .selectFrom("promotion")
    .select(["slug", "revision", "name"])
    .where("team_id", "=", team)
    .orderBy("created_at")
    .limit(EDITORS)
    .execute();
  const times: number[] = [];
  const end = performance.now() + SAVE_MS;
  const editor = async (index: number): Promise<void> => {
    const promotion = promotions[index % promotions.length];
    if (!promotion) return;
    for (let save = 0; performance.now() < end; save++) {
      const started = performance.now();
      const name = `${promotion.name.slice(0, 40)} ${index} ${save}`;
      const edits = [{ label: "name", patch: [{ op: "replace", path: "/name", value: name }] }];
      const response = await fetch(`${address}/promotions/${promotion.slug}/edits`, {
        method: "POST",
        headers: { cookie: cookies[index] ?? "", "content-type": "application/json" },
        body: JSON.stringify({ base: promotion.revision, edits }),
      });
      if (response.status !== 200) throw new Error(`A save was answered ${response.status}.`);
      await response.arrayBuffer();
      times.push(performance.now() - started);
    }
  };
  await Promise.all(Array.from({ length: EDITORS }, (_, index) => editor(index)));
  for (const { slug, name } of promotions)
    await sql`update promotion set name = ${name}, document = jsonb_set(document, '{name}', to_jsonb(${name}::text))
      where team_id = ${team} and slug = ${slug}`.execute(db);
  return summary(times, SAVE_MS, "saves");
}

async function sessions(db: Kysely<Database>, team: string, count: number): Promise<string[]> {
  const owner = await db
    .selectFrom("member")
    .select(["id", "team_id"])
    .where("team_id", "=", team)
    .where("role", "=", "owner")
    .executeTakeFirstOrThrow();
  const cookies: string[] = [];
  while (cookies.length < count) cookies.push(await signedIn(db, owner));
  return cookies;
}

/** Grows a team by copies of what it has. Gives a function that takes them away again. */
async function grow(db: Kysely<Database>, team: string): Promise<() => Promise<void>> {
  const mark = `load-${randomUUID().slice(0, 8)}`;
  await sql`insert into promotion (team_id, slug, name, document, created_at, updated_at)
    select ${team}, ${mark} || '-' || n, 'Copy ' || n, one.document,
      now() - n * interval '1 minute', now() - n * interval '1 minute'
    from generate_series(1, ${LARGE.promotions}::integer) n
    cross join lateral (
      select document from promotion where team_id = ${team} and slug not like 'load-%'
      order by created_at offset n % 4 limit 1
    ) one`.execute(db);
  await sql`insert into product (team_id, name, line, code, price_minor, currency, tags, in_stock)
    select ${team}, 'Pot ' || n, 'One of many', ${mark} || n, 100 + (n * 7919) % 20000, 'GBP', array['tag' || n % 40], true
    from generate_series(1, ${LARGE.products}::integer) n`.execute(db);
  await sql`insert into media (team_id, name, kind, state, sha256, mime, bytes, width, height, facts, tags, source, colors, created_at)
    select ${team}, ${mark} || n || '.jpg', 'picture', 'ready', encode(sha256((${mark} || n)::bytea), 'hex'), 'image/jpeg', 100000 + n,
      1600, 1200, jsonb_build_object('width', 1600, 'height', 1200, 'levels', 6, 'focal', '{"x":0.5,"y":0.5}'::jsonb),
      array['tag' || n % 25], ${mark}, array['green'], now() - n * interval '1 minute'
    from generate_series(1, ${LARGE.media}::integer) n`.execute(db);
  await sql`analyze`.execute(db);
  return async () => {
    await db.deleteFrom("promotion").where("team_id", "=", team).where("slug", "like", `${mark}%`).execute();
    await db.deleteFrom("product").where("team_id", "=", team).where("code", "like", `${mark}%`).execute();
    await db.deleteFrom("media").where("team_id", "=", team).where("source", "=", mark).execute();
  };
}
