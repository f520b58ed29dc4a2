import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Kysely } from "kysely";
import { isFormatName } from "../../core/placement/formats";
import { isQuality } from "../../core/placement/quality";
import { type Database, type RenditionState } from "../db/tables";
import { log } from "../log";
import { renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { type PaintPool } from "./paintPool";
import { renderFile } from "./renderFile";
import { readRenderInput } from "./renderInput";
import { renditionState } from "./renditions";
import { tellRendition } from "./tellRendition";

const TELL_EVERY_MS = 250;

/** The render job: makes one rendition's file. Safe to run twice; the row turns ready only when the file is whole and stored. */
export async function renderRendition(db: Kysely<Database>, pool: PaintPool, renditionId: string): Promise<void> {
  const row = await db
    .selectFrom("rendition")
    .innerJoin("render", "render.id", "rendition.render_id")
    .where("rendition.id", "=", renditionId)
    .select(["rendition.format", "rendition.state", "render.quality", "render.input"])
    .executeTakeFirst();
  if (!row || row.state === "ready" || row.state === "cancelled") return;
  if (!isFormatName(row.format) || !isQuality(row.quality))
    throw new TypeError(`Rendition ${renditionId} asks for ${row.format} at ${row.quality}, which there is not.`);

  const stop = new AbortController();
  const tell = async (state: RenditionState, progress: number): Promise<void> => {
    const changed = await db
      .updateTable("rendition")
      .set({ state, progress })
      .where("id", "=", renditionId)
      .where("state", "in", ["waiting", "working"])
      .executeTakeFirst();
    if (changed.numUpdatedRows === 0n) stop.abort();
    else await tellRendition(db, renditionId, { state, progress });
  };
  let progress = 0;
  const ticker = setInterval(
    () => void tell("working", progress).catch((error: unknown) => log.warn({ error }, "progress was not told")),
    TELL_EVERY_MS,
  );
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-rendition-"));
  try {
    await tell("working", 0);
    const path = join(folder, "file.mp4");
    const started = Date.now();
    const file = await renderFile(
      pool,
      { input: readRenderInput(row.input), choice: { format: row.format, quality: row.quality }, path },
      (share) => (progress = share),
      stop.signal,
    );
    clearInterval(ticker);
    const key = renditionKey(renditionId);
    await store().keep(key, path);
    const stored = await db
      .updateTable("rendition")
      .set({ state: "ready", progress: 1, file_key: key, file: JSON.stringify(file) })
      .where("id", "=", renditionId)
      .where("state", "=", "working")
      .executeTakeFirst();
    // Cancelled at the very end: it is not ready, whatever was stored.
    if (stored.numUpdatedRows === 0n) return;
    await tellRendition(db, renditionId, { state: "ready", progress: 1 });
    log.info({ rendition: renditionId, format: row.format, ms: Date.now() - started }, "rendition ready");
  } catch (error) {
    if (stop.signal.aborted || (await renditionState(db, renditionId)) === "cancelled") return;
    throw error;
  } finally {
    clearInterval(ticker);
    await rm(folder, { recursive: true, force: true });
  }
}

/** Says that a rendition could not be made after all tries. */
export async function giveUpRendition(db: Kysely<Database>, renditionId: string): Promise<void> {
  const failed = await db
    .updateTable("rendition")
    .set({
      state: "failed",
      problem: "Rendering failed on our side. Press Retry; if it fails again, tell whoever runs Stencilcraft.",
    })
    .where("id", "=", renditionId)
    .where("state", "in", ["waiting", "working"])
    .executeTakeFirst();
  if (failed.numUpdatedRows > 0n) await tellRendition(db, renditionId, { state: "failed", progress: 0 });
}
