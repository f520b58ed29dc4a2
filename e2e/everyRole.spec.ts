import { randomUUID } from "node:crypto";
import { type APIRequestContext, expect, test } from "@playwright/test";
import routes from "../app/routes";
import { closeDatabase } from "../server/db/connect";
import { type OwnTeam, ownTeam } from "./ownTeam";
import { query } from "./query";

/** Every route there is, asked by everybody who may ask (OWASP ASVS 4, 4.1 and 4.2: access control). */

interface RouteEntry {
  readonly path?: string;
  readonly index?: boolean;
  readonly children?: readonly RouteEntry[];
}
const pathsOf = (entries: readonly RouteEntry[]): string[] =>
  entries.flatMap(({ path, index, children }) => [
    ...(index ? ["/"] : []),
    ...(path === undefined || path === "*" ? [] : [`/${path}`]),
    ...pathsOf(children ?? []),
  ]);
const PATHS = pathsOf(routes);

/** What anybody may ask for: ways in, what is told about the app itself, and what a link that can't be guessed opens. */
const OPEN: ReadonlySet<string> = new Set([
  ...["/sign-in", "/set-up", "/join/:token", "/sign-out", "/healthz", "/readyz", "/faces.json"],
  ...["/faces/:stem/:subset/:weight", "/emoji/:code/:level", "/formats/template.schema.json"],
  ...[
    "/formats/promotion.schema.json",
    "/formats/placements.schema.json",
    "/shared/:token",
    "/shared/:token/files/:id",
  ],
  ...["/shared/:token/posters/:format", "/embed/:token/:format", "/embed/:token/:format/film", "/oembed"],
]);
/** Where things of a team stand in the path. */
const isOfOne = (path: string): boolean => /^\/(promotions\/:slug|renditions\/:id|renders\/:id|media\/:id)/.test(path);

let team: OwnTeam;
let others: OwnTeam;
let things: Readonly<Record<string, string>>;
test.beforeAll(async () => {
  team = await ownTeam("Every role");
  others = await ownTeam("Somebody else");
  const slug = await team.promotion();
  const render = await idOf(
    `insert into render (team_id, promotion_id, revision, quality, input)
      select team_id, id, 1, '480p', '{}' from promotion where team_id = $1 returning id`,
  );
  const rendition = await idOf(
    `insert into rendition (team_id, render_id, format, state, file_key, file, output)
      select team_id, id, 'square', 'ready', 'none', '{}', '{}' from render where team_id = $1 returning id`,
  );
  const media = await idOf(
    `insert into media (team_id, name, kind, state, sha256, mime, bytes)
      values ($1, 'pot.jpg', 'picture', 'ready', repeat('0', 64), 'image/jpeg', 1) returning id`,
  );
  things = { slug, render, rendition, media };
});
test.afterAll(() => closeDatabase());

async function idOf(statement: string): Promise<string> {
  const [row] = await query<{ id: string }>(statement, [team.scope.teamId]);
  return row?.id ?? "";
}

const NOTHING = { slug: "no-such-promotion", render: randomUUID(), rendition: randomUUID(), media: randomUUID() };

/** A path with things in it, the team's if no others. */
function addressOf(path: string, of: Readonly<Record<string, string>> = things): string {
  const id = path.startsWith("/renders/") ? "render" : path.startsWith("/renditions/") ? "rendition" : "media";
  const parts: Readonly<Record<string, string>> = {
    slug: of["slug"] ?? "",
    id: of[id] ?? "",
    format: path.includes("palette") ? "gpl" : "square",
    kind: "html",
    file: path.startsWith("/renders/") ? "en.srt" : "poster",
    token: randomUUID(),
  };
  return path.replaceAll(/\/:(\w+)\??/g, (_, name: string) => `/${parts[name] ?? "x"}`);
}

const statusOf = async (request: APIRequestContext, method: "get" | "post", address: string) => {
  const answer = await request[method](address, {
    maxRedirects: 0,
    timeout: 20_000,
    ...(method === "post" ? { form: { intent: "none" } } : {}),
  });
  return { status: answer.status(), to: answer.headers()["location"] ?? "" };
};

test("without a session every route that is not open to all leads to the sign-in, to read and to write", async ({
  request,
}) => {
  const through: string[] = [];
  for (const path of PATHS.filter((one) => !OPEN.has(one)))
    for (const method of ["get", "post"] as const) {
      const { status, to } = await statusOf(request, method, addressOf(path));
      const isRefused = (status === 302 && to.includes("/sign-in")) || [400, 401, 403, 404, 405].includes(status);
      if (!isRefused) through.push(`${method} ${path}: ${status}`);
    }
  expect(through).toEqual([]);
});

test("a session of another team finds nothing of this one's, whatever the role, to read and to write", async ({
  page,
}) => {
  const through: string[] = [];
  for (const role of ["owner", "designer", "marketer", "reviewer"] as const) {
    await others.signIn(page, role);
    for (const path of PATHS.filter(isOfOne))
      for (const method of ["get", "post"] as const) {
        const { status } = await statusOf(page.request, method, addressOf(path));
        // As of what is nowhere: nobody learns what another team has.
        const { status: ofNothing } = await statusOf(page.request, method, addressOf(path, NOTHING));
        if (status < 400 || status >= 500 || status !== ofNothing)
          through.push(`${role} ${method} ${path}: ${status}, and ${ofNothing} of what is nowhere`);
      }
  }
  expect(through).toEqual([]);
});

test("what nobody handed out opens nothing, and says no more than that", async ({ request }) => {
  for (const path of [...OPEN].filter((one) => one.includes(":token") && one !== "/join/:token"))
    expect((await statusOf(request, "get", addressOf(path))).status).toBe(404);
});

/** What a reviewer may send: their own things (the brand they look at, the templates they like), and what they say and decide. */
const A_REVIEWER_SENDS: ReadonlySet<string> = new Set([
  ...["/sign-out", "/you", "/brand-book", "/templates", "/promotions/:slug/review"],
]);

test("a reviewer changes nothing: every route that takes something refuses, in words", async ({ page }) => {
  await team.signIn(page, "reviewer");
  const through: string[] = [];
  for (const path of PATHS.filter((one) => !OPEN.has(one) && !A_REVIEWER_SENDS.has(one))) {
    const { status } = await statusOf(page.request, "post", addressOf(path));
    if (status < 400 || status >= 500) through.push(`${path}: ${status}`);
  }
  expect(through).toEqual([]);
  const before = await query("select review from promotion where slug = $1", [things["slug"]]);
  for (const intent of ["link", "ask", "revoke", "remove-comment"]) {
    const form = { intent, ask: "true" };
    const answer = await page.request.post(`/promotions/${things["slug"]}/review.data`, { form });
    expect([intent, answer.status()]).toEqual([intent, 403]);
  }
  expect(await query("select review from promotion where slug = $1", [things["slug"]])).toEqual(before);
});
