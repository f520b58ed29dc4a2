import { type BrowserContext, type Page, expect } from "@playwright/test";

export type Person = "Tamsin Kell" | "Delphine Orrow" | "Imre Vass" | "Bram Okoro";

/** Each person signs in through the page once a run; later tests take up that session. */
const sessions = new Map<Person, Awaited<ReturnType<BrowserContext["cookies"]>>>();

/** Makes the page's visitor one of the demo's people. */
export async function signInAs(page: Page, name: Person): Promise<void> {
  const session = sessions.get(name);
  if (session) await page.context().addCookies(session);
  else await signInAnew(page, name);
}

/** Signs in through the page, with a session of its own. */
export async function signInAnew(page: Page, name: Person): Promise<void> {
  await page.goto("/sign-in");
  await page.getByRole("button", { name: `Sign in as ${name}` }).click();
  await expect(page.getByRole("heading", { name: /Good day/ })).toBeVisible();
  sessions.set(name, await page.context().cookies());
}
