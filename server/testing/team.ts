import { type Insertable } from "kysely";
import { newBrandBook } from "../../core/brand/book";
import { type Person } from "../auth/sessions";
import { connect } from "../db/connect";
import { type MediaTable } from "../db/tables";
import { type TeamScope, teamScope } from "../db/teamScope";

/** A team of a test's own, in the database that the unit tests have to themselves. */
export interface TestTeam {
  readonly scope: TeamScope;
  readonly memberId: string;
  /** The member, signed in. */
  readonly person: Person;
  readonly team: { readonly currency: string; readonly zone: string; readonly locale: string };
  /** Adds a picture that is ready. */
  picture(name: string, change?: Partial<Insertable<MediaTable>>): Promise<string>;
  product(name: string, price_minor: number, tags?: string[]): Promise<string>;
  brand(name: string): Promise<string>;
  close(): Promise<void>;
}

let next = 0;

export async function testTeam(): Promise<TestTeam> {
  const db = connect();
  const team = { currency: "GBP", zone: "Europe/London", locale: "en-GB" };
  const { id } = await db
    .insertInto("team")
    .values({ name: "Testers", ...team })
    .returning("id")
    .executeTakeFirstOrThrow();
  const scope = teamScope(db, id);
  const member = await db
    .insertInto("member")
    .values({
      team_id: id,
      email: `${id}@example.com`,
      name: "Tess",
      role: "owner",
      password_hash: "x",
      working_brand_id: null,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const facts = JSON.stringify({ width: 1600, height: 1200, levels: 6, focal: { x: 0.5, y: 0.5 } });
  return {
    scope,
    team,
    memberId: member.id,
    person: {
      ...{
        id: member.id,
        name: "Tess",
        email: `${id}@example.com`,
        role: "owner",
        operates: false,
        scope,
        session: "s",
      },
      team: { id, name: "Testers", stamp: "1", ...team },
    },
    async picture(name, change = {}) {
      const sha256 = (next++).toString(16).padStart(64, "0");
      const row = await scope
        .insert("media", {
          name,
          kind: "picture",
          state: "ready",
          sha256,
          mime: "image/jpeg",
          bytes: 1000,
          facts,
          problem: null,
          width: 1600,
          height: 1200,
          ...change,
        })
        .returning("id")
        .executeTakeFirstOrThrow();
      return row.id;
    },
    async product(name, price_minor, tags = []) {
      const row = await scope
        .insert("product", { name, line: "", price_minor, currency: "GBP", tags })
        .returning("id")
        .executeTakeFirstOrThrow();
      await scope
        .insert("price_step", [
          { product_id: row.id, from_at: new Date(Date.now() - 90 * 86_400_000), price_minor, currency: "GBP" },
        ])
        .execute();
      return row.id;
    },
    async brand(name) {
      return (
        await scope
          .insert("brand", { name, book: JSON.stringify(newBrandBook()) })
          .returning("id")
          .executeTakeFirstOrThrow()
      ).id;
    },
    async close() {
      await db.deleteFrom("team").where("id", "=", id).execute();
      await db.destroy();
    },
  };
}

export function formOf(values: Readonly<Record<string, string>>): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries(values)) form.set(name, value);
  return form;
}
