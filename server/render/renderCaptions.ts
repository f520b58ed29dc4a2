import { string } from "yup";
import { type CaptionFile, captionsAs } from "../../core/captions/writeCaptions";
import { type Captions, CAPTIONS_PART, captionsIn, languagesOf } from "../../core/document/captionsPart";
import { type TeamScope } from "../db/teamScope";
import { sql } from "kysely";
import { slugOf } from "../../core/text/slug";

/** The captions of a render as they are in the database; those of before there were any have none. */
export const captionsColumn = sql`render.input -> 'document' -> 'captions'`.as("captions");

/** Reads the captions of a render. */
export function readRenderCaptions(value: unknown): Captions {
  if (typeof value !== "object" || value === null) return {};
  return Object.fromEntries(
    Object.entries(value).map(([id, caption]: [string, unknown]) => [id, CAPTIONS_PART.read(id, caption)]),
  );
}

/** A render's captions in a language as a file. Throws a 404 where there are none. */
export async function renderCaptions(
  scope: TeamScope,
  { render, language, kind }: { readonly render: string; readonly language: string; readonly kind: CaptionFile },
): Promise<{ readonly type: string; readonly body: string; readonly name: string }> {
  const row = string().uuid().required().isValidSync(render)
    ? await scope
        .select("render")
        .innerJoin("promotion", "promotion.id", "render.promotion_id")
        .select([captionsColumn, "promotion.name"])
        .where("render.id", "=", render)
        .executeTakeFirst()
    : undefined;
  const captions = readRenderCaptions(row?.captions);
  if (!row || !languagesOf(captions).includes(language))
    throw new Response("There are no such captions in your team.", { status: 404 });
  const name = `${slugOf(row.name)}-${language}.${kind}`;
  return { ...captionsAs(kind, captionsIn(captions, language)), name };
}
