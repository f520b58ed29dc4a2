/** Who says something about a promotion: a member of the team, or whoever has a link to it. */
export interface Commenter {
  readonly name: string;
  /** Their member's id; null for whoever came by a link. */
  readonly member: string | null;
  /** The id of the link that they came by; null for a member. */
  readonly link: string | null;
}
