import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import { partOf } from "../core/testing/sample";
import { closeDatabase } from "../server/db/connect";
import { type OwnTeam, ownTeam } from "./ownTeam";
import { query } from "./query";

/** What nobody types, and what each door must answer in words (OWASP ASVS 4, 5.1: validation of input). */
const HOSTILE: Readonly<Record<string, string>> = {
  nothing: "",
  NUL: "a\u0000b",
  "a control character": "\u001b[2J",
  "half a character": "pot \ud83e",
  "no id": "not-an-id",
  "an id of nothing": "00000000-0000-4000-8000-000000000000",
  "a day that is none": "2024-99-99",
  "a time that is none": "2024-01-01T99:99",
  "a number beyond all": "9".repeat(400),
  "a negative number": "-1",
  "very long words": "w".repeat(5000),
  "JSON that is none": "{",
  "JSON of the wrong kind": "[null, 1e999, {}]",
  "hidden NUL": '{"x":"\\u0000","y":0.5}',
  "a point outside": '{"x":7,"y":-3}',
  "deep JSON": "[".repeat(5000),
  "what SQL minds": "'; drop table team; --",
  "a wild card": "%_\\",
};

interface Form {
  readonly at: string;
  readonly fields: Readonly<Record<string, string>>;
}

const ID = "00000000-0000-4000-8000-000000000000";
/** Stands for the address of the promotion that there is. */
const SLUG = "pot-opening-hours-of-every-door";
const product = {
  intent: "product",
  name: "Pot",
  price: "24.00",
  line: "",
  text: "",
  code: "",
  content: "",
  link: "",
  tags: "",
  stock: "yes",
  pictures: "",
  id: "",
};
const offer = {
  ...{
    id: "",
    name: "Week",
    kind: "percent-off",
    percent: "15",
    amount: "",
    price: "",
    buy: "",
    free: "",
    count: "",
    gift: "",
  },
  ...{ text: "", leastSpend: "", ending: ".90", endingWay: "up", on: "all", products: "", tags: "" },
  ...{
    starts: "2030-05-01T09:00",
    ends: "2030-05-08T09:00",
    zone: "Europe/London",
    code: "",
    small_print: "",
    limits: "",
  },
};
const media = (intent: string, more: Readonly<Record<string, string>> = {}): Form => ({
  at: "/media",
  fields: { intent, ids: ID, ...more },
});
const FORMS: readonly Form[] = [
  { at: "/catalogue", fields: product },
  { at: "/catalogue", fields: { intent: "field", field: "name", id: ID, value: "Pot" } },
  { at: "/catalogue", fields: { intent: "field", field: "price", id: ID, value: "24" } },
  { at: "/catalogue", fields: { intent: "bulk", do: "tag", tag: "pots", ids: ID } },
  { at: "/catalogue", fields: { intent: "remove-product", id: ID } },
  { at: "/catalogue/offers", fields: offer },
  { at: "/catalogue/offers/tried", fields: offer },
  { at: "/brand-book", fields: { intent: "usual", brand: ID } },
  { at: "/catalogue/offers", fields: { intent: "remove-offer", id: ID } },
  ...["remove", "restore", "follow", "logo", "no-logo", "rename", "focal"].map((intent) =>
    media(intent, { name: "x", focal: '{"x":0.5,"y":0.5}' }),
  ),
  media("tag", { tag: "pots" }),
  media("rights", { source: "", licence: "own", holder: "", rights_from: "2030-01-01", rights_to: "2030-02-01" }),
  media("collect", { collection: ID }),
  media("take-out", { collection: ID }),
  media("collect-by-name", { "collection-name": "Pots" }),
  { at: "/media", fields: { intent: "remove-collection", collection: ID } },
  { at: "/media/shelf", fields: { slug: "no-such" } },
  { at: "/media/backdrops", fields: { words: "fern", round: "0", which: "0" } },
  { at: "/templates", fields: { intent: "like", slug: "one-offer", liked: "no" } },
  { at: "/templates", fields: { intent: "start", name: "Mine", from: "" } },
  { at: "/promotions", fields: { copy: "no-such" } },
  { at: "/promotions", fields: { intent: "archive", ids: ID } },
  { at: "/promotions", fields: { intent: "remove", ids: ID } },
  { at: "/promotions", fields: { intent: "file", ids: ID, campaign: "Spring" } },
  { at: "/promotions", fields: { intent: "rename", slug: "no-such", name: "Another" } },
  { at: "/teams", fields: { name: "", currency: "GBP", zone: "Europe/London" } },
  { at: "/promotions/new", fields: { template: "one-offer", product: ID, offer: "" } },
  { at: `/promotions/${SLUG}/send`, fields: { intent: "cancel", rendition: ID } },
  { at: `/promotions/${SLUG}/send`, fields: { intent: "retry", rendition: ID } },
  { at: `/promotions/${SLUG}/send`, fields: { intent: "render", quality: "none", reason: "because" } },
  {
    at: `/promotions/${SLUG}/review`,
    fields: { intent: "say", words: "Here", format: "square", at: "1", x: "0", y: "0", answers: ID },
  },
  { at: `/promotions/${SLUG}/review`, fields: { intent: "decide", decision: "changes", render: ID, words: "So" } },
  { at: `/promotions/${SLUG}/review`, fields: { intent: "link", note: "", password: "", ends: "", ask: "true" } },
  { at: `/promotions/${SLUG}/review`, fields: { intent: "done", comment: ID } },
  { at: `/promotions/${SLUG}/review`, fields: { intent: "revoke", link: ID } },
  {
    at: `/promotions/${SLUG}/post`,
    fields: {
      intent: "words",
      title: "",
      body: "",
      tags: "",
      link: "",
      alt: "",
      placement: "square-feed",
      same: "true",
    },
  },
  {
    at: `/promotions/${SLUG}/post`,
    fields: { intent: "post", channel: "plaza", placement: "square-feed", at: "2030-05-01T09:00", anyway: "yes" },
  },
  { at: `/promotions/${SLUG}/post`, fields: { intent: "cancel", post: ID } },
  { at: `/promotions/${SLUG}/post`, fields: { intent: "retry", post: ID } },
  { at: "/channels/placements", fields: { intent: "save", placement: "{}" } },
  { at: "/channels/placements", fields: { intent: "take-out", id: "square-feed" } },
  { at: "/channels/placements", fields: { intent: "import", file: "" } },
  { at: `/promotions/${SLUG}/send`, fields: { intent: "pattern", pattern: "{promotion}" } },
  {
    at: `/promotions/${SLUG}/send`,
    fields: {
      quality: "480p",
      by: "formats",
      formats: "none",
      kind: "mp4",
      rate: "30",
      most: "1",
      loudness: "",
      captions: "",
    },
  },
  { at: "/shared/no-such", fields: { intent: "unlock", password: "" } },
  { at: "/shared/no-such", fields: { intent: "say", name: "Rosa", words: "Here" } },
  { at: "/brand-book", fields: { intent: "save", brand: ID, name: "Fern", book: "{}" } },
  { at: "/brand-book", fields: { intent: "remove", brand: ID } },
  { at: "/brand-book", fields: { intent: "remove-font", id: ID } },
  { at: "/brand-book", fields: { intent: "switch", brand: ID, from: "/" } },
  { at: "/set-up", fields: { team: "", name: "", email: "", password: "", currency: "GBP", zone: "Europe/London" } },
  { at: "/sign-in", fields: { email: "a@example.com", password: "" } },
];
const JSON_DOORS: readonly string[] = [
  `/promotions/${SLUG}/edits`,
  `/promotions/${SLUG}/presence`,
  `/promotions/${SLUG}/shorter`,
  `/promotions/${SLUG}/versions`,
  `/promotions/${SLUG}/template`,
  "/templates/no-such/edits",
  "/voice",
  "/media/sounds",
];
const PAGES: readonly string[] = [
  ...[
    "/",
    "/brand-book?new",
    "/brand-book/sheet",
    "/brand-book/palette/gpl",
    "/catalogue?words=$&tag=$&stock=$&page=$&sort=$&product=$",
  ],
  ...["/catalogue/offers?offer=$&edit=$", "/catalogue/products.csv", "/catalogue/import", "/media/shelf/$/preview"],
  ...[
    "/media?words=$&kind=$&color=$&tag=$&product=$&collection=$&page=$&sort=$&item=$",
    "/media/page?words=$&page=$&collection=$",
  ],
  ...[
    "/media/offered?words=$&kind=$&width=$&height=$&shape=$&from=$&most=$",
    "/media/chosen?ids=$",
    "/media/sounds?words=$&tempo=$&tag=$&most=$",
  ],
  ...[
    "/media/backdrops?words=$&round=$",
    "/media/backdrops/preview?words=$&round=$&which=$",
    "/media/shelf?words=$&category=$",
  ],
  ...[
    `/media/${ID}/$`,
    "/media/$/poster",
    "/faces/$/$/$",
    "/emoji/$/$",
    "/templates?words=$&purpose=$&length=$&product=$&brand=$",
  ],
  ...[
    "/templates/$/workshop",
    "/templates/$/package",
    "/promotions?words=$&state=$&campaign=$&product=$&template=$&by=$&from=$&until=$&view=$&sort=$&page=$",
    "/team?before=$",
    "/promotions/new?template=$&product=$&words=$",
  ],
  ...[
    "/promotions/$",
    "/promotions/$/proof",
    "/promotions/$/pace",
    "/promotions/$/send",
    "/promotions/$/post",
    "/promotions/$/edits",
    "/promotions/$/versions",
  ],
  ...[
    `/promotions/${SLUG}/still/$?scene=$`,
    `/promotions/${SLUG}/report/$?revision=$`,
    `/promotions/${SLUG}/proof?cell=$&placement=$`,
  ],
  ...[
    "/shared/$",
    "/shared/$/files/$",
    "/channels/placements?edit=$",
    "/shared/$/posters/$",
    "/embed/$/$",
    "/oembed?url=$&maxwidth=$&maxheight=$",
  ],
  ...[
    `/promotions/${SLUG}/review?x=$`,
    "/renditions/$/file",
    "/renders/$/zip",
    "/renders/$/captions/$",
    "/sign-in?next=$",
  ],
];

let team: OwnTeam;
let slug: string;
test.beforeAll(async () => {
  team = await ownTeam("Every door");
  slug = await team.promotion();
});
test.afterAll(() => closeDatabase());
test.beforeEach(({ page }) => team.signIn(page, "owner"));

const KINDS = Object.entries(HOSTILE);
/** So many of the cases of each kind are tried every time; all of them with `--full`. */
const TRIED = 300;

test("whatever is sent in any field of any form is answered, never with a fault of ours", async ({ page }) => {
  const cases = FORMS.flatMap(({ at, fields }) =>
    Object.keys(fields)
      .filter((field) => field !== "intent")
      .flatMap((field) => KINDS.map(([kind, value]) => ({ at, form: { ...fields, [field]: value }, field, kind }))),
  );
  const faults: string[] = [];
  for (const { at, form, field, kind } of partOf(cases, TRIED)) {
    const answer = await page.request.post(`${at.replace(SLUG, slug)}.data`, { form, maxRedirects: 0 });
    if (answer.status() >= 500) faults.push(`${answer.status()} ${at} ${field}: ${kind}`);
  }
  expect(faults).toEqual([]);
  expect(await query("select id from team")).not.toEqual([]);
});

test("whatever is sent as JSON is answered, never with a fault of ours", async ({ page }) => {
  const bodies = KINDS.flatMap(([kind, value]): [string, string][] => [
    [kind, value],
    ...["text", "path", "name", "script", "slug", "intent", "at", "page"].map((key): [string, string] => {
      const edits = [{ label: value, patch: [{ op: "add", path: "/name", value }] }];
      const sent = { base: 1, edits, intent: "make", page: randomUUID(), at: "", here: true, [key]: value };
      return [`${kind} as ${key}`, JSON.stringify(sent)];
    }),
  ]);
  const cases = JSON_DOORS.flatMap((at) => bodies.map(([kind, data]) => ({ at, kind, data })));
  const faults: string[] = [];
  for (const { at, kind, data } of partOf(cases, TRIED)) {
    const answer = await page.request.post(at.replace(SLUG, slug), {
      data,
      headers: { "content-type": "application/json" },
    });
    if (answer.status() >= 500) faults.push(`${answer.status()} ${at}: ${kind}`);
  }
  expect(faults).toEqual([]);
});

test("whatever is asked for in an address is answered, never with a fault of ours", async ({ page }) => {
  const cases = PAGES.flatMap((address) => KINDS.map(([kind, value]) => ({ address, kind, value })));
  const faults: string[] = [];
  for (const { address, kind, value } of partOf(cases, TRIED)) {
    // Half a character can't be written in an address.
    const written = encodeURIComponent(value.replaceAll(/\p{Surrogate}/gu, "").slice(0, 1500));
    const answer = await page.request.get(address.replace(SLUG, slug).replaceAll("$", written), { maxRedirects: 0 });
    if (answer.status() >= 500) faults.push(`${answer.status()} ${address}: ${kind}`);
  }
  expect(faults).toEqual([]);
});

test("what comes from another site, or says nothing that can be read of where from, changes nothing", async ({
  page,
}) => {
  const froms: readonly Record<string, string>[] = [
    { origin: "null" },
    { origin: "%%%" },
    { origin: "https://evil.example.com" },
    { "sec-fetch-site": "cross-site" },
    { "sec-fetch-site": "same-site" },
  ];
  for (const headers of froms)
    expect((await page.request.post("/promotions", { form: { copy: SLUG }, headers })).status()).toBe(403);
});

test("a body that is too large is refused at once, before any of it is read", async ({ page }) => {
  const answer = await page.request.post("/sign-in", { data: Buffer.alloc(30_000_000, "x"), timeout: 10_000 }).then(
    (response) => response.status(),
    // The connection may end while the rest is still being sent.
    () => 413,
  );
  expect(answer).toBe(413);
});
