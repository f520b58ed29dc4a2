import { type Adjustments } from "./adjustments";
import { type Promotion } from "./promotion";
import { type SlotKey } from "./sceneTemplate";

/** Something of the team's that a promotion names by its id. */
export interface NamedThing {
  readonly kind: "brand" | "product" | "offer" | "media";
  readonly id: string;
  /** Where it is named; absent where it is the promotion's own choice. */
  readonly slot?: SlotKey;
}

/** Everything that a promotion names, wherever it does. What it only draws on through its template is not among it. */
export function thingsNamed({ brand, product, offer, lanes, fills, adjustments }: Promotion): NamedThing[] {
  const chosen: NamedThing[] = [
    { kind: "brand", id: brand },
    ...(product === null ? [] : [{ kind: "product", id: product } as const]),
    ...(offer === null ? [] : [{ kind: "offer", id: offer } as const]),
    ...Object.values(lanes).flatMap(({ media, takes = [] }) =>
      [media, ...takes].map((id) => ({ kind: "media", id }) as const),
    ),
  ];
  const filled = Object.entries(fills).flatMap(([key, fill]): NamedThing[] => {
    const slot = key as SlotKey;
    switch (fill.kind) {
      case "words":
        return [];
      case "media":
        return Object.values(fill.shots).map(({ media }) => ({ kind: "media", id: media, slot }));
      case "products":
        return fill.products.map((id) => ({ kind: "product", id, slot }));
    }
  });
  return [...chosen, ...filled, ...mediaBehind(adjustments).map((id) => ({ kind: "media", id }) as const)];
}

/** What a promotion names that it did not name before. */
export function newlyNamed(before: Promotion, after: Promotion): NamedThing[] {
  const known = new Set(thingsNamed(before).map(({ kind, id }) => `${kind}/${id}`));
  return thingsNamed(after).filter(({ kind, id }) => !known.has(`${kind}/${id}`));
}

/** How media is used: seen in a slot or beside what is, or heard. */
export type MediaUse = "shown" | "beside" | "heard";

/** A media item where a promotion uses it. */
export interface UsedMedia {
  readonly id: string;
  readonly use: MediaUse;
}

/** What media a promotion uses in a way that it did not before: the same item may be heard already, and be shown anew. */
export function newlyUsed(before: Promotion, after: Promotion): UsedMedia[] {
  const name = ({ id, use }: UsedMedia): string => `${use}/${id}`;
  const known = new Set(mediaUsed(before).map(name));
  return mediaUsed(after).filter((one) => !known.has(name(one)));
}

const mediaUsed = ({ lanes, fills, adjustments }: Promotion): UsedMedia[] => [
  ...Object.values(lanes).flatMap(({ media, takes = [] }) =>
    [media, ...takes].map((id): UsedMedia => ({ id, use: "heard" })),
  ),
  ...mediaShown({ fills, adjustments: {} }).map((id): UsedMedia => ({ id, use: "shown" })),
  ...mediaBehind(adjustments).map((id): UsedMedia => ({ id, use: "beside" })),
];

/** The media that slots are filled with, and those that are seen beside them. */
export const mediaShown = ({ fills, adjustments }: Pick<Promotion, "fills" | "adjustments">): string[] => [
  ...Object.values(fills).flatMap((fill) =>
    fill.kind === "media" ? Object.values(fill.shots).map(({ media }) => media) : [],
  ),
  ...mediaBehind(adjustments),
];

/** The pictures that are seen beside others. */
export const mediaBehind = (adjustments: Adjustments): string[] =>
  Object.values(adjustments).flatMap(({ behind }) => (behind?.kind === "picture" ? [behind.media] : []));
