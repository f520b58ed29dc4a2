import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";

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
