import { Readable } from "node:stream";
import archiver from "archiver";
import { string } from "yup";
import { CAPTION_FILES, captionsAs } from "../../core/captions/writeCaptions";
import { captionsIn, languagesOf } from "../../core/document/captionsPart";
import { type TeamScope } from "../db/teamScope";
import { slugOf } from "../promotions/slug";
import { sha256Of } from "../storage/sha256";
import { captionsColumn, readRenderCaptions } from "./renderCaptions";
import { store } from "../storage/store";

const missing = (): Response =>
  new Response("There is no such rendition in your team, or it is not ready.", { status: 404 });
const isId = (id: string): boolean => string().uuid().required().isValidSync(id);

/** The file of a ready rendition, and the name people get it under. */
export async function finishedRendition(scope: TeamScope, id: string): Promise<{ path: string; name: string }> {
  if (!isId(id)) throw missing();
  const row = await scope
    .select("rendition")
    .select(["render_id", "format", "file_key"])
    .where("id", "=", id)
    .where("state", "=", "ready")
    .executeTakeFirst();
  if (!row?.file_key) throw missing();
  const { named, quality } = await aboutRender(scope, row.render_id);
  return { path: await store().local(row.file_key), name: `${named}-${row.format}-${quality}.mp4` };
}

/** A zip of a render's finished files, streamed. Its manifest.json says what each is, with its SHA-256. */
export async function zipRender(scope: TeamScope, renderId: string): Promise<{ name: string; stream: ReadableStream }> {
  if (!isId(renderId)) throw missing();
  const rows = await scope
    .select("rendition")
    .selectAll()
    .where("render_id", "=", renderId)
    .where("state", "=", "ready")
    .orderBy("format")
    .execute();
  if (rows.length === 0) throw missing();
  const { slug, named, name, quality, revision, created_at, captions: written } = await aboutRender(scope, renderId);
  const zip = archiver("zip", { store: true });
  const files: object[] = [];
  for (const row of rows) {
    const path = await store().local(row.file_key ?? "");
    const file = `${named}-${row.format}-${quality}.mp4`;
    zip.file(path, { name: file });
    files.push({ file, ...row.file, sha256: await sha256Of(path) });
  }
  const captions = readRenderCaptions(written);
  for (const language of languagesOf(captions))
    for (const kind of CAPTION_FILES) {
      const file = `${named}-${language}.${kind}`;
      zip.append(captionsAs(kind, captionsIn(captions, language)).body, { name: file });
      files.push({ file, captions: language });
    }
  const manifest = { promotion: name, slug, revision, quality, renderedAt: created_at.toISOString(), files };
  zip.append(`${JSON.stringify(manifest, null, 2)}\n`, { name: "manifest.json" });
  void zip.finalize();
  return { name: `${named}-${quality}.zip`, stream: Readable.toWeb(zip) as ReadableStream };
}

/** A render with its promotion, and how its files are named: as the promotion is called now. */
async function aboutRender(scope: TeamScope, renderId: string) {
  const render = await scope
    .select("render")
    .select(["promotion_id", "quality", "revision", "created_at", captionsColumn])
    .where("id", "=", renderId)
    .executeTakeFirst();
  const promotion =
    render &&
    (await scope.select("promotion").select(["slug", "name"]).where("id", "=", render.promotion_id).executeTakeFirst());
  if (!render || !promotion) throw missing();
  return { ...render, ...promotion, named: slugOf(promotion.name) };
}
