import { randomUUID } from "node:crypto";
import { type Page, expect } from "@playwright/test";
import { newBrandBook } from "../core/brand/book";
import { hashPassword } from "../server/auth/passwords";
import { database } from "../server/db/connect";
import { type TeamScope, teamScope } from "../server/db/teamScope";
import { createPromotion } from "../server/promotions/promotionStore";
import { type Role } from "../server/db/tables";

const PASSWORD = "a password of a test's own";

/** A team of a test's own in the instance under test, with a brand: what is done in it, no other test sees. */
export interface OwnTeam {
  readonly scope: TeamScope;
  /** Makes a promotion of words alone. Gives its address. */
  promotion(): Promise<string>;
  /** Makes the page's visitor a new member with a role. */
  signIn(page: Page, role: Role): Promise<void>;
}

export async function ownTeam(name: string): Promise<OwnTeam> {
  const db = database();
  const { id } = await db
    .insertInto("team")
    .values({ name, locale: "en-GB", zone: "Europe/London", currency: "GBP" })
    .returning("id")
    .executeTakeFirstOrThrow();
  const scope = teamScope(db, id);
  await scope.insert("brand", { name, book: JSON.stringify(newBrandBook()) }).execute();
  return {
    scope,
    async promotion() {
      const { id: product } = await scope
        .insert("product", { name: "Pot", line: "", price_minor: 2400, currency: "GBP" })
        .returning("id")
        .executeTakeFirstOrThrow();
      return (await createPromotion(scope, { template: "opening-hours", product, offer: null }, null)).slug;
    },
    async signIn(page, role) {
      const email = `${randomUUID()}@example.com`;
      await scope
        .insert("member", {
          ...{ email, name: `The ${role}`, role, working_brand_id: null },
          password_hash: await hashPassword(PASSWORD),
        })
        .execute();
      const answer = await page.request.post("/sign-in", { form: { email, password: PASSWORD }, maxRedirects: 0 });
      expect(answer.status()).toBe(302);
    },
  };
}
