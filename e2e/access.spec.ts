import { createHash, randomBytes } from "node:crypto";
import { expect, test } from "@playwright/test";
import { rename } from "../core/document/edits";
import { signInAs } from "./people";
import { query } from "./query";
import { bringFile } from "./bringFile";
import { pressUntilOpen } from "./pressUntilOpen";

/** Who may come in, and what they may see. */

test("wrong passwords are answered alike for known and unknown addresses, and slowed; the right one is let in all the same", async ({
  page,
}) => {
  await page.goto("/sign-in");
  const attempt = async (email: string): Promise<void> => {
    await page.getByLabel("E-mail").fill(email);
    await page.getByLabel("Password").fill("not the password");
    const answered = page.waitForResponse((response) => response.request().method() === "POST");
    await page.getByRole("button", { name: "Sign in", exact: true }).click();
    await answered;
    await expect(page.getByRole("alert")).toBeVisible();
  };
  await attempt("nobody@quillfern.example.com");
  await expect(page.getByRole("alert")).toHaveText("This e-mail address and password do not belong together.");
  const started = Date.now();
  for (let wrong = 0; wrong < 7; wrong++) await attempt("delphine@quillfern.example.com");
  // The sixth and the seventh are answered later and later.
  expect(Date.now() - started).toBeGreaterThan(1400);
  await page.getByLabel("Password").fill("clay-and-compost");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByRole("heading", { name: /Good day, Delphine/ })).toBeVisible();
});

test("without a session every page leads to sign-in and back", async ({ page }) => {
  await page.goto("/catalogue");
  await expect(page).toHaveURL(/sign-in\?next=%2Fcatalogue/);
  await page.getByLabel("E-mail").fill("imre@quillfern.example.com");
  await page.getByLabel("Password").fill("clay-and-compost");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page).toHaveURL(/catalogue$/);
  await pressUntilOpen(page.getByRole("button", { name: "Imre Vass" }));
  await page.getByRole("menuitem", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.goto("/catalogue");
  await expect(page).toHaveURL(/sign-in/);
});

test("a session of another team finds nothing of this one", async ({ browser, baseURL }) => {
  const token = randomBytes(32).toString("base64url");
  const [team] = await query<{ id: string }>(
    "insert into team (name, locale, zone, currency) values ('Tallowby Bakehouse', 'en-GB', 'Europe/London', 'GBP') returning id",
  );
  const [member] = await query<{ id: string }>(
    "insert into member (team_id, email, name, role, password_hash) values ($1, 'oda@tallowby.example.com', 'Oda Finch', 'owner', 'x') returning id",
    [team?.id],
  );
  await query(
    "insert into session (token_hash, team_id, member_id, expires_at) values ($1, $2, $3, now() + interval '1 hour')",
    [createHash("sha256").update(token).digest("hex"), team?.id, member?.id],
  );
  const [media] = await query<{ id: string }>("select id from media where name = 'herb-tray.jpg'");
  const context = await browser.newContext(baseURL ? { baseURL } : {});
  await context.addCookies([
    {
      name: "stencilcraft-session",
      value: encodeURIComponent(Buffer.from(JSON.stringify(token)).toString("base64")),
      url: baseURL ?? "",
    },
  ]);
  const page = await context.newPage();
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Good day, Oda" })).toBeVisible();
  await expect(page.getByText("No promotion yet")).toBeVisible();
  for (const path of [
    "/promotions/potting-week-terracotta",
    "/promotions/potting-week-terracotta/send",
    "/promotions/potting-week-terracotta/still/square",
    `/media/${media?.id}/level-0`,
  ])
    expect((await page.request.get(path)).status()).toBe(404);
  const edit = await page.request.post("/promotions/potting-week-terracotta/edits", {
    data: { base: 1, edits: [rename("Mine now")] },
  });
  expect(edit.status()).toBe(404);
  await context.close();
});

test("a reviewer can look, but not change", async ({ page }) => {
  await signInAs(page, "Bram Okoro");
  await page.goto("/promotions/potting-week-terracotta");
  await expect(page.getByLabel("Headline", { exact: true })).toBeVisible();
  const edit = await page.request.post("/promotions/potting-week-terracotta/edits", {
    data: { base: 1, edits: [rename("Reviewed")] },
  });
  expect(edit.status()).toBe(403);
  // What may not be changed is closed, and it is said why.
  await expect(page.getByLabel("Headline", { exact: true })).toBeDisabled();
  await expect(page.getByRole("note").filter({ hasText: "a reviewer looks, and changes nothing" })).toBeVisible();
  await page.goto("/brand-book");
  await expect(page.getByLabel("Phone")).toBeDisabled();
  await expect(page.getByText("a reviewer looks, and changes nothing")).toBeVisible();
  await page.goto("/catalogue");
  await expect(page.getByRole("link", { name: "New product" })).toBeHidden();
  await expect(page.getByRole("note").filter({ hasText: "a reviewer looks, and changes nothing" })).toBeVisible();
  await page.goto("/catalogue?product=new");
  await expect(page.getByRole("dialog").getByLabel("Name", { exact: true })).toBeDisabled();
  await page.goto("/promotions/potting-week-terracotta/proof");
  await expect(page.getByLabel("Enlarged %")).toBeDisabled();
  await page.goto("/promotions/potting-week-terracotta/pace");
  await expect(page.getByLabel("Its length is")).toBeDisabled();
  await page.getByRole("button", { name: "Sound", exact: true }).click();
  await expect(page.getByRole("button", { name: "Add music …" })).toBeDisabled();
});

test("who is signed out while typing is told so, and what was typed is saved after signing in again", async ({
  page,
  context,
}) => {
  await signInAs(page, "Tamsin Kell");
  await page.goto("/promotions/herb-friday-tray");
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await context.clearCookies();
  await page.getByLabel("Terms (optional)").fill("One tray each");
  await expect(page.getByRole("alert").filter({ hasText: "you were signed out" })).toBeVisible();
  const again = await context.newPage();
  await signInAs(again, "Tamsin Kell");
  await page.getByLabel("Terms (optional)").fill("One tray each.");
  await expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await again.goto("/promotions/herb-friday-tray");
  await expect(again.getByLabel("Terms (optional)")).toHaveValue("One tray each.");
});

test("what no page would send gets an answer in words, never a fault of ours", async ({ page, baseURL }) => {
  await signInAs(page, "Imre Vass");
  const send = async (path: string, form: Record<string, string>): Promise<number> =>
    (await page.request.post(`${path}.data`, { form, headers: { origin: baseURL ?? "" } })).status();
  for (const [path, form] of [
    ["/catalogue", { intent: "field", id: "junk", field: "name", value: "x" }],
    ["/catalogue", { intent: "bulk", do: "remove", ids: "junk,'; drop table product" }],
    ["/catalogue", { intent: "remove-product", id: "junk" }],
    ["/catalogue", { intent: "moon" }],
    ["/catalogue/offers", { intent: "remove-offer", id: "junk" }],
    ["/catalogue/offers", { intent: "offer", id: "junk" }],
    ["/media", { intent: "remove", ids: "junk" }],
    ["/media", { intent: "collect", ids: "junk", collection: "junk" }],
    ["/media", { intent: "remove-collection", collection: "junk" }],
    ["/brand-book", { intent: "save", brand: "junk", book: "{" }],
    ["/brand-book", { intent: "switch", brand: "junk" }],
    ["/brand-book", { intent: "remove-font", id: "junk" }],
    ["/media/shelf", { slug: "../../etc" }],
    ["/media/backdrops", { words: "sea", round: "x", which: "9" }],
  ] as const)
    expect(`${path} ${form.intent ?? ""} ${(await send(path, form)) < 500}`).toBe(`${path} ${form.intent ?? ""} true`);
  for (const path of [
    "/media/page?product=junk&collection=junk&page=1e9",
    "/catalogue.data?product=junk",
    "/media.data?item=junk",
    "/media/shelf/..%2f/preview",
    "/media/backdrops/preview?words=sea&which=-1",
    "/brand-book/palette/moon",
    "/faces/own/junk/400",
  ])
    expect((await page.request.get(path)).status()).toBeLessThan(500);
  expect((await bringFile(page, "x.jpg", Buffer.from("GIF89a"), { replace: "junk" })).status()).toBe(422);
});

test("a form sent from another site is not carried out", async ({ page, baseURL }) => {
  await signInAs(page, "Imre Vass");
  const response = await page.request.post("/catalogue", {
    headers: { origin: "http://elsewhere.example.com" },
    form: { intent: "product", name: "x", price: "1" },
  });
  expect(response.status()).toBe(403);
  expect((await page.request.get(`${baseURL}/healthz`)).status()).toBe(200);
  expect(await (await page.request.get(`${baseURL}/readyz`)).json()).toEqual({
    database: "ok",
    storage: "ok",
    worker: "ok",
  });
});
