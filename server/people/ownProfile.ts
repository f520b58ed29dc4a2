import { object, string } from "yup";
import { LEAST_PASSWORD, hashPassword, passwordMatches } from "../auth/passwords";
import { type Person, endOtherSessions } from "../auth/sessions";
import { words } from "../doors/fields";
import { type ReadForm, readForm } from "../formProblems";

export const newPassword = () =>
  string()
    .min(LEAST_PASSWORD, `At least ${LEAST_PASSWORD} characters.`)
    .max(200, "At most 200 characters.")
    .required("Choose a password.");

const nameForm = object({ name: words(60).required("Write your name.") });
const passwordForm = object({ current: string().default(""), password: newPassword() });

export async function renamePerson({ id, scope }: Person, form: FormData): Promise<ReadForm<unknown>> {
  const read = await readForm(nameForm, form);
  if (read.ok) await scope.update("member").set({ name: read.values.name }).where("id", "=", id).execute();
  return read;
}

/** Changes a person's password, after the one they have; all their other sessions end. Gives how many these were. */
export async function changePassword(
  { id, scope, session }: Person,
  form: FormData,
): Promise<ReadForm<{ readonly ended: number }>> {
  const read = await readForm(passwordForm, form);
  if (!read.ok) return read;
  const row = await scope.select("member").select("password_hash").where("id", "=", id).executeTakeFirst();
  if (!(await passwordMatches(read.values.current, row?.password_hash)))
    return { ok: false, problems: { current: "This is not your password." } };
  const password_hash = await hashPassword(read.values.password);
  await scope.update("member").set({ password_hash }).where("id", "=", id).execute();
  return { ok: true, values: { ended: await endOtherSessions(id, session) } };
}

/** A session as its person sees it. */
export interface OwnSession {
  readonly id: string;
  readonly device: string;
  readonly startedAt: Date;
  readonly isThis: boolean;
}

export async function sessionsOf({ id, scope, session }: Person): Promise<OwnSession[]> {
  const rows = await scope
    .select("session")
    .select(["session.id", "device", "started_at"])
    .where("member_id", "=", id)
    .where("expires_at", ">", new Date())
    .orderBy("started_at", "desc")
    .execute();
  return rows.map((row) => ({
    id: row.id,
    device: deviceInWords(row.device),
    startedAt: row.started_at,
    isThis: row.id === session,
  }));
}

const SYSTEMS = ["Android", "iPhone", "iPad", "Windows", "Mac OS", "Linux"] as const;

/** What a browser says that it is, as its person knows it: the kind of machine. */
function deviceInWords(agent: string): string {
  const system = SYSTEMS.find((name) => agent.includes(name));
  return system === undefined ? "A browser" : `A browser on ${system}`;
}
