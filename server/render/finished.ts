import { createReadableStreamFromReadable } from "@react-router/node";
import archiver from "archiver";
import { CAPTION_FILES, captionsAs } from "../../core/captions/writeCaptions";
import { writeCsv } from "../../core/catalogue/csvText";
import { captionsIn, languagesOf } from "../../core/document/captionsPart";
import { readOutput } from "../../core/output/output";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { USUAL_PATTERN, besideEachOther, fileNameBy } from "../../core/output/fileName";
import { wallTime } from "../../core/offer/validity";
import { placementById } from "../../core/placement/placements";
import { type TeamScope } from "../db/teamScope";
import { isId } from "../ids";
import { ownPlacements } from "../placements/ownPlacements";
import { slugOf } from "../../core/text/slug";
import { sha256Of } from "../storage/sha256";
import { captionsColumn, readRenderCaptions } from "./renderCaptions";
import { readRenderedFile } from "./renderedFile";
import { store } from "../storage/store";
import { storedFormat } from "./storedFormat";

const missing = (): Response =>
  new Response("There is no such rendition in your team, or it is not ready.", { status: 404 });

/** A finished file: where it lies, what it is, and the name people get it under. */
export interface FinishedFile {
  readonly path: string;
  readonly name: string;
  /** Its media type. */
  readonly type: string;
}

/** The file of a ready rendition. Throws a 404 where there is none. */
export async function finishedRendition(scope: TeamScope, id: string): Promise<FinishedFile> {
  if (!isId(id)) throw missing();
  const row = await scope
    .select("rendition")
    .select(["render_id", "format", "file_key", "output"])
    .where("id", "=", id)
    .where("state", "=", "ready")
    .executeTakeFirst();
  if (!row?.file_key) throw missing();
  const render = await aboutRender(scope, row.render_id);
  const { name, output } = nameOf(render, row);
  return { path: await store().local(row.file_key), name, type: FILE_KINDS[output.kind].type };
}

/**
 * A zip of a render's finished files, streamed. Its manifest says what each is, with its SHA-256, as JSON and as a list for
 * spreadsheets (RFC 4180).
 */
export async function zipRender(scope: TeamScope, renderId: string): Promise<{ name: string; stream: ReadableStream }> {
  if (!isId(renderId)) throw missing();
  const rows = await scope
    .select("rendition")
    .selectAll()
    .where("render_id", "=", renderId)
    .where("state", "=", "ready")
    .orderBy("format")
    .orderBy("created_at")
    .execute();
  if (rows.length === 0) throw missing();
  const about = await aboutRender(scope, renderId);
  const { slug, named, name, quality, revision, created_at, captions: written } = about;
  const zip = archiver("zip", { store: true });
  const names = besideEachOther(rows.map((row) => nameOf(about, row).name));
  const files: ZippedFile[] = [];
  for (const [at, row] of rows.entries()) {
    const path = await store().local(row.file_key ?? "");
    const file = names[at] ?? "";
    zip.file(path, { name: file });
    const { output } = nameOf(about, row);
    const { kind, rate, placement } = output;
    files.push({
      ...{ file, kind, rate, placement },
      ...(row.file ? readRenderedFile(row.file) : {}),
      sha256: await sha256Of(path),
    });
  }
  const captions = readRenderCaptions(written);
  for (const language of languagesOf(captions))
    for (const ending of CAPTION_FILES) {
      const file = `${named}-${language}.${ending}`;
      zip.append(captionsAs(ending, captionsIn(captions, language)).body, { name: file });
      files.push({ file, captions: language });
    }
  const manifest = { promotion: name, slug, revision, quality, renderedAt: created_at.toISOString(), files };
  zip.append(`${JSON.stringify(manifest, null, 2)}\n`, { name: "manifest.json" });
  zip.append(manifestCsv(files), { name: "manifest.csv" });
  void zip.finalize();
  return { name: `${named}-${quality}.zip`, stream: createReadableStreamFromReadable(zip) };
}

/** What a manifest says of a file; films say more than captions do. */
type ZippedFile = { readonly file: string } & Readonly<Record<string, string | number | null>>;

const COLUMNS = [
  ...["file", "kind", "format", "placement", "width", "height", "rate", "frames", "seconds", "bytes"],
  ...["captions", "sha256"],
] as const;
const manifestCsv = (files: readonly ZippedFile[]): string =>
  writeCsv(
    COLUMNS,
    files.map((file) => COLUMNS.map((column) => String(file[column] ?? ""))),
  );

/** What a file is called: by the team's pattern, as the promotion is called now. */
function nameOf(
  { name: promotion, revision, day, pattern, placements }: AboutRender,
  row: { readonly format: string; readonly output: object },
) {
  const output = readOutput(row.output);
  const known = output.placement === null ? null : placementById(output.placement, placements);
  const placement = known?.title ?? output.placement;
  const named = { promotion, format: storedFormat(row.format), output, placement, date: day, revision };
  return { name: fileNameBy(pattern, named), output };
}

type AboutRender = Awaited<ReturnType<typeof aboutRender>>;

/** A render with its promotion, and how its files are named. */
async function aboutRender(scope: TeamScope, renderId: string) {
  const [row, team, placements] = await Promise.all([
    scope
      .select("render")
      .innerJoin("promotion", "promotion.id", "render.promotion_id")
      .select(["quality", "render.revision", "render.created_at", "promotion.slug", "promotion.name", captionsColumn])
      .where("render.id", "=", renderId)
      .executeTakeFirst(),
    scope.team().select(["file_pattern", "zone"]).executeTakeFirstOrThrow(),
    ownPlacements(scope),
  ]);
  if (!row) throw missing();
  const day = wallTime(row.created_at, team.zone).slice(0, 10);
  return { ...row, named: slugOf(row.name), day, pattern: team.file_pattern || USUAL_PATTERN, placements };
}
