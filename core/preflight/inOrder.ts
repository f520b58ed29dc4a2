import { type ResolvedPromotion } from "../document/resolve";
import { type Finding, SEVERITIES } from "./finding";

/** Findings as they are read: what is wrong first, else in the order of the scenes. */
export function inOrder(findings: readonly Finding[], { scenes }: Pick<ResolvedPromotion, "scenes">): Finding[] {
  const order = new Map(scenes.map(({ id }, index) => [id, index]));
  const rank = ({ severity, where }: Finding): number =>
    SEVERITIES.indexOf(severity) * (scenes.length + 1) +
    (where.scene === null ? scenes.length : (order.get(where.scene) ?? 0));
  return [...findings].sort((one, other) => rank(one) - rank(other));
}
