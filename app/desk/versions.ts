import { array, mixed, number, object, string } from "yup";
import { type Promotion, readPromotion } from "../../core/document/promotion";

/** A version of a promotion that was kept. */
export interface ShownVersion {
  readonly revision: number;
  readonly name: string | null;
  readonly by: string | null;
  readonly when: string;
  readonly document: Promotion;
}

const answer = object({
  versions: array(
    object({
      revision: number().integer().required(),
      name: string().nullable().defined(),
      by: string().nullable().defined(),
      when: string().required(),
      document: mixed().required(),
    }),
  ).required(),
});
/** The versions of a promotion that were kept, the newest first. */
export async function fetchVersions(slug: string): Promise<ShownVersion[]> {
  const response = await fetch(`/promotions/${slug}/versions`);
  if (!response.ok) throw new Error(`The versions could not be fetched (${response.status}).`);
  const { versions } = answer.validateSync(await response.json());
  return versions.map(({ document, ...version }) => ({ ...version, document: readPromotion(document) }));
}

/** What a version is called. */
export const titleOf = ({ name, revision }: ShownVersion): string => name ?? `Revision ${revision}`;
