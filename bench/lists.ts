import { type Kysely, sql } from "kysely";
import { type Database } from "../server/db/tables";
import { BENCH_PROMOTION } from "./render";
import { openDemoData } from "./demoInstance";
import { signedIn } from "./signedIn";
import { startOwnServer } from "./ownServer";

const PRODUCTS = 10_000;
const MEDIA = 5_000;
const PROMOTIONS = 5_000;
const TURNS = 15;

/** The views that are asked for, and something that must stand in the answer. */
const VIEWS: readonly (readonly [name: string, path: string, holds: string])[] = [
  ["catalogue, first page", "/catalogue.data", "Clay pot"],
  ["catalogue, page 150", "/catalogue.data?page=150", "pot"],
  ["catalogue, by price downwards", "/catalogue.data?sort=price&down=yes", "pot"],
  ["catalogue, search by words", "/catalogue.data?words=glazed+4711", "Glazed pot 4711"],
  ["catalogue, by tag", "/catalogue.data?tag=tag7", "tag7"],
  ["offers, with a sheet", "/catalogue/offers.data", "Offer 1"],
  ["media, first page", "/media.data", "shelf-1.jpg"],
  ["media, page 60", "/media/page?page=60", "shelf-3"],
  ["media, search by words", "/media/page?words=shelf+321", "shelf-321.jpg"],
  ["media, by colour and shape", "/media/page?color=green&shape=standing", "shelf-"],
  ["media, rights ended", "/media/page?rights=ended", "shelf-"],
  ["media, by tag, largest first", "/media/page?tag=tag3&sort=largest", "shelf-"],
];

/** The same of promotions; a page of them has its stills by other requests. */
const OF_PROMOTIONS: typeof VIEWS = [
  ["promotions, first page", "/promotions.data", "Potting 5000"],
  ["promotions, page 100", "/promotions.data?page=100", "Potting 2"],
  ["promotions, as rows", "/promotions.data?view=list", "Potting 5000"],
  ["promotions, by name", "/promotions.data?sort=name", "Potting 1"],
  ["promotions, search by words", "/promotions.data?words=potting+4711", "Potting 4711"],
  ["promotions, by campaign", "/promotions.data?campaign=Campaign+7", "Campaign 7"],
  ["promotions, not rendered", "/promotions.data?state=not+rendered", "Potting"],
  ["promotions, rendered", "/promotions.data?state=rendered", "Potting"],
  ["promotions, out of date", "/promotions.data?state=out+of+date", "Potting"],
  ["promotions, approved", "/promotions.data?state=approved", "Potting"],
  ["promotions, by person and date", "/promotions.data?from=2026-01-01&view=list", "Potting 5000"],
  ["bench", "/_root.data", "Potting"],
  ["queue", "/queue.data", "renditions"],
];

/** Queries whose plans must use an index, as the lists ask them. */
const PLANS: readonly (readonly [name: string, query: (team: string) => ReturnType<typeof sql>])[] = [
  ["products by name", (team) => sql`select * from product where team_id = ${team} order by name, id limit 50`],
  [
    "products by price",
    (team) => sql`select * from product where team_id = ${team} order by price_minor desc, id desc limit 50`,
  ],
  [
    "products by words",
    (team) =>
      sql`select * from product where team_id = ${team} and search like '%glazed%' and search like '%4711%' order by name, id limit 50`,
  ],
  [
    "products by tag",
    (team) => sql`select count(*) from product where team_id = ${team} and tags @> array['tag7']::text[]`,
  ],
  [
    "media by age",
    (team) =>
      sql`select * from media where team_id = ${team} and deleted_at is null order by created_at desc, id limit 60`,
  ],
  [
    "media by words",
    (team) =>
      sql`select * from media where team_id = ${team} and deleted_at is null
        and (search like '%shelf-321%' or tags @> array['shelf-321']::text[])
        order by created_at desc, id limit 60`,
  ],
  [
    "media by colour",
    (team) =>
      sql`select count(*) from media where team_id = ${team} and deleted_at is null and colors @> array['purple']::text[]`,
  ],
];

/**
 * Measures list, search and page requests over a team with 10 000 products, 5 000 media rows and 5 000 promotions, which is
 * made for it and removed.
 */
export async function benchLists(data: string): Promise<void> {
  const demo = await openDemoData(data);
  const { database } = await import("../server/db/connect");
  const db = database();
  const member = await seed(db);
  const team = member.team_id;
  const server = await startOwnServer(data);
  try {
    const cookie = await signedIn(db, member);
    for (const [name, path, holds] of [...VIEWS, ...OF_PROMOTIONS])
      console.log(`${name.padEnd(34)} ${(await median(server.address + path, cookie, holds)).toFixed(0)} ms`);
    for (const [name, query] of PLANS) console.log(`plan of ${name.padEnd(26)} ${await planOf(db, query(team))}`);
  } finally {
    await server.stop();
    await db.deleteFrom("team").where("id", "=", team).execute();
    await demo.close();
  }
}

/** Gives the owner of a team with that much in it. */
async function seed(db: Kysely<Database>): Promise<{ readonly id: string; readonly team_id: string }> {
  const { id: team } = await db
    .insertInto("team")
    .values({ name: "Ten thousand pots", locale: "en-GB", zone: "Europe/London", currency: "GBP" })
    .returning("id")
    .executeTakeFirstOrThrow();
  const member = await db
    .insertInto("member")
    .values({
      team_id: team,
      email: `bench-${Date.now()}@example.com`,
      name: "Bench",
      role: "owner",
      password_hash: "x",
      working_brand_id: null,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await sql`insert into product (team_id, name, line, code, price_minor, currency, tags, in_stock)
    select ${team},
      (array['Clay','Glazed','Woven','Painted','Tall'])[1 + n % 5] || ' pot ' || n, 'One of many, number ' || n, 'P-' || n,
      100 + (n * 7919) % 20000, 'GBP',
      array['tag' || n % 40], n % 9 <> 0 from generate_series(1, ${PRODUCTS}::integer) n`.execute(db);
  await sql`insert into offer (team_id, name, terms, scope, currency, starts_at, ends_at, zone)
    select ${team}, 'Offer ' || n, '{"kind":"percent-off","percent":15,"ending":"exact"}',
      jsonb_build_object('on', 'tags', 'tags', jsonb_build_array('tag' || n)), 'GBP',
      now() - interval '3 days',
      now() + interval '4 days', 'Europe/London' from generate_series(1, 20) n`.execute(db);
  await sql`insert into media (team_id, name, kind, state, sha256, mime, bytes, width, height, facts, tags, licence,
      rights_to, colors, look, created_at)
    select ${team}, 'shelf-' || n || '.jpg', 'picture', 'ready',
      encode(sha256(n::text::bytea), 'hex'), 'image/jpeg', 100000 + n, 1600, 900 + n % 1400,
      jsonb_build_object('width', 1600, 'height', 900 + n % 1400, 'levels', 6, 'focal', '{"x":0.5,"y":0.5}'::jsonb),
      array['tag' || n % 25], case when n % 3 = 0 then '' else 'own work' end,
      case when n % 11 = 0 then current_date - 1 end, array[(array['red','green','blue','brown','purple'])[1 + n % 5]],
      n * 2654435761, now() - n * interval '1 minute'
    from generate_series(1, ${MEDIA}::integer) n`.execute(db);
  await seedPromotions(db, { team, member: member.id });
  // As the database does by itself after so many rows.
  await sql`vacuum analyze product, media, offer, promotion, render, rendition`.execute(db);
  return { id: member.id, team_id: team };
}

/** Promotions as the demo world's, each with a render of four files; of some, the files are out of date. */
async function seedPromotions(
  db: Kysely<Database>,
  { team, member }: { readonly team: string; readonly member: string },
): Promise<void> {
  await sql`insert into promotion (team_id, slug, name, document, campaign, made_by, review, updated_at)
    select ${team}, 'potting-' || n, 'Potting ' || n, document, 'Campaign ' || n % 40, ${member},
      (array['none','none','asked','approved'])[1 + n % 4], now() - (${PROMOTIONS} - n) * interval '1 minute'
    from (select document from promotion where slug = ${BENCH_PROMOTION} limit 1) model,
      generate_series(1, ${PROMOTIONS}::integer) n`.execute(db);
  await sql`insert into render (team_id, promotion_id, revision, quality, input)
    select team_id, id, 1, '1080p', '{}' from promotion where team_id = ${team} and slug not like '%0'`.execute(db);
  await sql`insert into rendition (team_id, render_id, format, state, output, file_key, file, outdated_by, ended_at)
    select render.team_id, render.id, (array['square','vertical','widescreen','portrait'])[n],
      'ready',
      '{"kind":"mp4","quality":"1080p","rate":"30","placement":null,"captions":null,"loudness":null,"mostBytes":null}',
      'none', '{"format":"square","width":1080,"height":1080,"fps":30,"frames":450,"seconds":15,"bytes":4000000}',
      case when hashtext(render.id::text) % 3 = 0 then 'The offer has changed.' end, now() - interval '2 days'
    from render, generate_series(1, 4) n where render.team_id = ${team}`.execute(db);
}

async function median(address: string, cookie: string, holds: string): Promise<number> {
  const times: number[] = [];
  for (let turn = 0; turn < TURNS + 3; turn++) {
    const started = performance.now();
    const response = await fetch(address, { headers: { cookie } });
    const text = await response.text();
    if (response.status !== 200 || !text.includes(holds))
      throw new Error(`${address} answered ${response.status}, without “${holds}”.`);
    times.push(performance.now() - started);
  }
  // The first few warm the caches.
  return times.slice(3).sort((a, b) => a - b)[TURNS >> 1] ?? NaN;
}

async function planOf(db: Kysely<Database>, query: ReturnType<typeof sql>): Promise<string> {
  const { rows } = await sql<{ "QUERY PLAN": string }>`explain ${query}`.execute(db);
  const plan = rows.map((row) => row["QUERY PLAN"]).join("\n");
  const used = [...plan.matchAll(/(?:using|on) (\w*(?:_by_|_pkey)\w*)/g)].map(([, index]) => index);
  return used.length > 0 ? `uses ${[...new Set(used)].join(", ")}` : `uses no index:\n${plan}`;
}
