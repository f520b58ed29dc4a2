import { type MediaFacts } from "../../core/document/facts";
import { type MediaState } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "./storedFacts";

export interface MediaItem {
  readonly id: string;
  readonly name: string;
  readonly kind: "picture" | "clip" | "sound";
  readonly state: MediaState;
  readonly progress: number;
  readonly problem: string | null;
  readonly bytes: number;
  readonly facts: MediaFacts | null;
}

/** The team's media, newest first. */
export async function mediaList(scope: TeamScope, most = 500): Promise<MediaItem[]> {
  const rows = await scope.media().selectAll().orderBy("created_at", "desc").orderBy("name").limit(most).execute();
  return rows.map((row) => ({ id: row.id, name: row.name, kind: row.kind, state: row.state, progress: row.progress, problem: row.problem, bytes: Number(row.bytes), facts: mediaFacts(row) }));
}

/** Removes an item unless it is in use; says where then. Its stored files stay for others that have the same bytes. */
export async function removeMedia(scope: TeamScope, id: string): Promise<string | null> {
  const [promotions, products, brands] = await Promise.all([
    scope.promotions().select(["name", "document"]).execute(),
    scope.products().select("name").where("picture_media_id", "=", id).execute(),
    scope.brands().select("name").where("logo_media_id", "=", id).execute(),
  ]);
  const places = [
    ...promotions.filter(({ document }) => JSON.stringify(document).includes(`"${id}"`)).map(({ name }) => `the promotion “${name}”`),
    ...products.map(({ name }) => `the product “${name}”`),
    ...brands.map(({ name }) => `the brand book of ${name}`),
  ];
  if (places.length > 0) return `This item is used in ${places.join(", ")}. Choose another there first.`;
  await scope.removeMedia().where("id", "=", id).execute();
  return null;
}
