import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";
import { readStored } from "./readStored";

/** A whole version of a promotion. */
export interface KeptRevision {
  readonly promotion: string;
  readonly revision: number;
  readonly document: Promotion;
  readonly member: string | null;
  /** What somebody called it who wanted it kept; null for those that are kept now and then. */
  readonly name: string | null;
}

/** Keeps a version whole. One that is kept already gets the name, where one is given. */
export async function keepRevision(
  scope: TeamScope,
  { promotion, revision, document, member, name }: KeptRevision,
): Promise<void> {
  await scope
    .insert("promotion_revision", {
      promotion_id: promotion,
      revision,
      document: JSON.stringify(document),
      member_id: member,
      name,
    })
    .onConflict((conflict) =>
      name === null
        ? conflict.columns(["promotion_id", "revision"]).doNothing()
        : conflict.columns(["promotion_id", "revision"]).doUpdateSet({ name }),
    )
    .execute();
}

/** A version as people see it. */
export interface Version {
  readonly revision: number;
  readonly name: string | null;
  /** Who kept it, or whose change it was; null for one that came with the promotion, or whose person is gone. */
  readonly by: string | null;
  readonly at: Date;
  readonly document: Promotion;
}

const MOST_SHOWN = 60;

/** The versions of a promotion that are kept whole, the newest first. */
export async function keptVersions(scope: TeamScope, promotionId: string): Promise<Version[]> {
  const rows = await scope
    .select("promotion_revision")
    .leftJoin("member", "member.id", "promotion_revision.member_id")
    .where("promotion_id", "=", promotionId)
    .select([
      "promotion_revision.revision",
      "promotion_revision.name",
      "promotion_revision.created_at",
      "promotion_revision.document",
      "member.name as by",
    ])
    .orderBy("promotion_revision.revision", "desc")
    .limit(MOST_SHOWN)
    .execute();
  return rows.map(({ revision, name, created_at, document, by }) => ({
    revision,
    name,
    by,
    at: created_at,
    document: readStored(document),
  }));
}
