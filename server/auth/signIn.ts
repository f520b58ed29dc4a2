import { setTimeout as sleep } from "node:timers/promises";
import { object, string } from "yup";
import { database } from "../db/connect";
import { passwordMatches } from "./passwords";
import { LONGEST_WAIT_S, forgetTries, nextTurn } from "./signInPace";
import { startSession } from "./sessions";

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
 * Signs in with e-mail and password. Each try is counted before it is checked; tries that come fast are checked later and
 * later, but the right password is never refused for what others tried. The answer does not tell whether the address is
 * known.
 *
 * @param from who asks: the client's address, and what the browser says that it is
 */
export async function signIn(
  email: unknown,
  password: unknown,
  from: { readonly client: string; readonly device: string },
): Promise<SignInResult> {
  const typed = await form
    .validate({ email, password })
    .catch((error: unknown) => (error instanceof Error ? error : new Error(String(error))));
  if (typed instanceof Error) return { ok: false, problem: typed.message, status: 400 };
  const wait = await nextTurn(from.client, typed.email);
  if (wait > LONGEST_WAIT_S)
    return {
      ok: false,
      problem: `Too many tries from here. Wait ${Math.ceil(wait - LONGEST_WAIT_S)} s, then try again.`,
      status: 429,
    };
  if (wait > 0) await sleep(wait * 1000);
  const member = await database().selectFrom("member").selectAll().where("email", "=", typed.email).executeTakeFirst();
  if (!(await passwordMatches(typed.password, member?.password_hash)) || !member)
    return { ok: false, problem: "This e-mail address and password do not belong together.", status: 401 };
  await forgetTries(from.client, typed.email);
  return { ok: true, cookie: await startSession(member.id, member.team_id, from.device) };
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
