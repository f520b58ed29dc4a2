import { object, string } from "yup";
import { database } from "../db/connect";
import { passwordMatches } from "./passwords";
import { startSession } from "./sessions";

const FREE_TRIES = 5;
const LONGEST_WAIT_S = 900;

const form = object({
  email: string()
    .trim()
    .lowercase()
    .email("Write an e-mail address like name@example.com.")
    .required("Write your e-mail address."),
  password: string().required("Write your password.").max(200),
});

export type SignInResult =
  | { readonly ok: true; readonly cookie: string }
  | { readonly ok: false; readonly problem: string; readonly status: 400 | 401 | 429 };

/**
 * Signs in with e-mail and password. From the sixth wrong password on, an address must wait, twice as long each time, up
 * to a quarter of an hour; the answer does not tell whether the address is known.
 */
export async function signIn(email: unknown, password: unknown): Promise<SignInResult> {
  const typed = await form
    .validate({ email, password })
    .catch((error: unknown) => (error instanceof Error ? error : new Error(String(error))));
  if (typed instanceof Error) return { ok: false, problem: typed.message, status: 400 };
  const attempts = await database()
    .selectFrom("sign_in_attempt")
    .selectAll()
    .where("email", "=", typed.email)
    .executeTakeFirst();
  const wait = attempts ? Math.ceil((attempts.blocked_until.getTime() - Date.now()) / 1000) : 0;
  if (wait > 0) return { ok: false, problem: `Too many wrong passwords. Wait ${wait} s, then try again.`, status: 429 };
  const member = await database().selectFrom("member").selectAll().where("email", "=", typed.email).executeTakeFirst();
  if (!(await passwordMatches(typed.password, member?.password_hash)) || !member) {
    await countFailure(typed.email);
    return { ok: false, problem: "This e-mail address and password do not belong together.", status: 401 };
  }
  await database().deleteFrom("sign_in_attempt").where("email", "=", typed.email).execute();
  return { ok: true, cookie: await startSession(member.id, member.team_id) };
}

async function countFailure(email: string): Promise<void> {
  const { failures } = await database()
    .insertInto("sign_in_attempt")
    .values({ email, failures: 1, blocked_until: new Date() })
    .onConflict((conflict) =>
      conflict.column("email").doUpdateSet((eb) => ({ failures: eb("sign_in_attempt.failures", "+", 1) })),
    )
    .returning("failures")
    .executeTakeFirstOrThrow();
  if (failures < FREE_TRIES) return;
  const wait = Math.min(LONGEST_WAIT_S, 2 ** (failures - FREE_TRIES));
  await database()
    .updateTable("sign_in_attempt")
    .set({ blocked_until: new Date(Date.now() + wait * 1000) })
    .where("email", "=", email)
    .execute();
}

/** Accounts offered on the sign-in page: those of demo teams only. */
export async function demoAccounts(): Promise<{ name: string; email: string; role: string; team: string }[]> {
  return database()
    .selectFrom("member")
    .innerJoin("team", "team.id", "member.team_id")
    .where("team.is_demo", "=", true)
    .select(["member.name", "member.email", "member.role", "team.name as team"])
    .orderBy("team.name")
    .orderBy("member.name")
    .execute();
}
