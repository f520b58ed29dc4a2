import { type RightsState } from "../document/rights";
import { type ResolvedScene } from "../document/resolve";
import { slotKey } from "../document/sceneTemplate";
import { type Severity, type Where, type WholeRule, everywhere } from "./finding";

const RIGHTS: Readonly<Record<Exclude<RightsState, "clear">, { readonly severity: Severity; readonly says: string }>> =
  {
    missing: { severity: "warning", says: "has no note of who allows its use" },
    "not-yet": { severity: "wrong", says: "may not be used yet" },
    ended: { severity: "wrong", says: "may not be used any more: the right to it has ended" },
  };

/** What a promotion uses of the media, with where it is first seen or heard. */
interface Used {
  readonly media: string;
  readonly name: string;
  readonly where: Where;
}

const seenIn = (scene: ResolvedScene): readonly Used[] =>
  scene.template.slots.flatMap((slot): Used[] => {
    const where = everywhere(scene.id, slotKey(scene.template, slot));
    const behind = scene.behind[slot.id];
    const shown = [...(scene.shots[slot.id] ?? []).map(({ media }) => media), ...(behind ? [behind] : [])];
    return shown.map(({ id, name }) => ({ media: id, name, where }));
  });

export const rightsClear: WholeRule = {
  id: "rights-clear",
  about: "Everything that is seen and heard may be used.",
  lookAtAll: ({ document, promotion: { facts, scenes } }) => {
    const heard = Object.values(document.lanes).map(({ media }): Used => ({
      media,
      name: facts.media[media]?.name ?? "the music",
      where: everywhere(null),
    }));
    const first = new Map<string, Used>();
    for (const used of [...scenes.flatMap(seenIn), ...heard]) if (!first.has(used.media)) first.set(used.media, used);
    return [...first.values()].flatMap(({ media, name, where }) => {
      const state = facts.standing.rights[media] ?? "clear";
      if (state === "clear") return [];
      const { severity, says } = RIGHTS[state];
      return [{ severity, where, words: `“${name}” ${says}`, numbers: {}, cures: [] }];
    });
  },
};

/** The first scene that shows something of the offer; null where none does. */
function offerSeenIn(scenes: readonly ResolvedScene[]): ResolvedScene | null {
  return (
    scenes.find(({ template }) =>
      template.slots.some(
        (slot) => slot.kind === "offer" || (slot.kind === "words" && slot.binding?.startsWith("offer.") === true),
      ),
    ) ?? null
  );
}

export const offerRuns: WholeRule = {
  id: "offer-runs",
  about: "The offer runs when the promotion is posted.",
  lookAtAll: ({ promotion: { facts, scenes } }) => {
    const [offer, scene] = [facts.standing.offer, offerSeenIn(scenes)];
    if (!offer || !scene || offer.state === "running") return [];
    const isOver = offer.state === "ended";
    return [
      {
        severity: isOver ? "wrong" : "advice",
        where: everywhere(scene.id),
        words: isOver ? `the offer ended on ${offer.until}` : `the offer begins on ${offer.from}: post it from then on`,
        numbers: {},
        cures: [],
      },
    ];
  },
};

export const priceClaimAllowed: WholeRule = {
  id: "price-claim-allowed",
  about: "A price before is the lowest of the 30 days before the offer.",
  lookAtAll: ({ promotion: { facts, scenes } }) => {
    const [offer, scene] = [facts.standing.offer, offerSeenIn(scenes)];
    return offer?.claim && scene
      ? [{ severity: "wrong", where: everywhere(scene.id), words: offer.claim, numbers: {}, cures: [] }]
      : [];
  },
};
