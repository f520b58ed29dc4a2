import { Refusal } from "../../core/refusal";
import { type Person, endAllSessions } from "../auth/sessions";
import { ROLES, type Role } from "../db/tables";
import { type TeamScope } from "../db/teamScope";

/** Somebody in the team. */
export interface Member {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly joinedAt: Date;
}

/** The people of a team, by name. */
export async function membersOf(scope: TeamScope): Promise<Member[]> {
  const rows = await scope
    .select("member")
    .select(["id", "name", "email", "role", "joined_at as joinedAt"])
    .orderBy("name")
    .execute();
  return rows;
}

/** A link that was not used yet. */
export interface OpenInvitation {
  readonly id: string;
  readonly role: Role;
  readonly note: string;
  readonly isPassword: boolean;
  readonly expiresAt: Date;
}

/** The links of a team that are good still, the newest first. */
export async function openInvitations(scope: TeamScope): Promise<OpenInvitation[]> {
  const rows = await scope
    .select("invitation")
    .selectAll()
    .where("expires_at", ">", new Date())
    .orderBy("created_at", "desc")
    .execute();
  return rows.map(({ id, role, note, member_id, expires_at }) => ({
    ...{ id, role, note, expiresAt: expires_at },
    isPassword: member_id !== null,
  }));
}

const isRole = (role: string): role is Role => ROLES.some((one) => one === role);

/** Gives somebody another role. Throws a Refusal where the team would be left without an owner. */
export async function changeRole({ scope }: Person, id: string, role: string): Promise<void> {
  if (!isRole(role)) throw new Refusal("Choose a role from the list.");
  await scope.together(async (within) => {
    if (role !== "owner") await keepAnOwner(within, id);
    await within.update("member").set({ role }).where("id", "=", id).execute();
  });
}

/** Takes somebody out of the team: they are signed out everywhere at once. What they made stays. */
export async function removeMember({ scope }: Person, id: string): Promise<void> {
  await scope.together((within) => keepAnOwner(within, id));
  const there = await scope.select("member").select("id").where("id", "=", id).executeTakeFirst();
  if (!there) return;
  await endAllSessions(id);
  await scope.remove("member").where("id", "=", id).execute();
}

/** Makes somebody else the owner in one's own place. */
export async function handOver({ scope, id: own }: Person, id: string): Promise<void> {
  if (id === own) throw new Refusal("You own the team already. Choose somebody else.");
  await scope.together(async (within) => {
    const row = await within
      .update("member")
      .set({ role: "owner" })
      .where("id", "=", id)
      .returning("id")
      .executeTakeFirst();
    if (!row) throw new Refusal("That person is not in your team any more.");
    await within.update("member").set({ role: "designer" }).where("id", "=", own).execute();
  });
}

async function keepAnOwner(scope: TeamScope, without: string): Promise<void> {
  const owners = await scope.select("member").select("id").where("role", "=", "owner").forUpdate().execute();
  if (owners.length === 1 && owners[0]?.id === without)
    throw new Refusal("A team needs an owner. Make somebody else an owner first.");
}
