import { heldLength, retime } from "../pace/lengthEdits";
import { pacedScenes } from "../pace/pacedScenes";
import { type WholeRule, everywhere } from "./finding";

export const keepsLength: WholeRule = {
  id: "keeps-length",
  about: "A promotion that is held to a length lasts exactly so long.",
  lookAtAll: ({ document, promotion: { facts, scenes, length }, prepared }) => {
    const held = heldLength(document);
    if (held === undefined || held === length) return [];
    const paced = pacedScenes(document, facts, { scenes, sheet: prepared.scenes, free: false });
    const retimed = retime(paced, held);
    const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
    const { least } = "outOfReach" in retimed ? retimed.outOfReach : { least: null };
    const reach = least === null ? "" : `; it can be read in ${seconds(least)} at least`;
    return [
      {
        severity: "warning",
        where: everywhere(null),
        words: `it lasts ${seconds(length)} and is held to ${seconds(held)}${reach}`,
        numbers: { lengthMs: length, heldMs: held, ...(least === null ? {} : { leastMs: least }) },
        cures: "edit" in retimed ? [{ ...retimed.edit, label: "Share the difference" }] : [],
      },
    ];
  },
};
