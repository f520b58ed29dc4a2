import { type TeamScope } from "../db/teamScope";
import { newestWhole, reviewedPromotion } from "./reviewed";
import { openEmbed } from "./shareLinks";

/** A film that is embedded somewhere. */
export interface Embedded {
  readonly scope: TeamScope;
  /** The rendition's id. */
  readonly id: string;
  readonly name: string;
}

/** What is embedded under a token in a format; null where it is not, or not any more. */
export async function embeddedFile(token: string, format: string): Promise<Embedded | null> {
  const shared = await openEmbed(token);
  if (!shared) return null;
  const { scope, promotion } = shared;
  // Players ask for a film piece by piece: nothing more than the film is looked up each time.
  const [{ name }, render] = await Promise.all([reviewedPromotion(scope, promotion), newestWhole(scope, promotion)]);
  const file = render?.files.find((one) => one.format === format);
  return file ? { scope, id: file.id, name } : null;
}
