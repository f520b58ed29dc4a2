import { createReadableStreamFromReadable } from "@react-router/node";
import archiver from "archiver";
import {
  PACKAGE_FILE,
  PACKAGE_FORMAT,
  type PackagedMedia,
  type TemplatePackage,
  mediaOfTemplate,
  renameMedia,
} from "../../core/document/templatePackage";
import { templateDocument } from "../../core/document/templateDocument";
import { FACE_ROLES } from "../../core/brand/book";
import { workingBrand } from "../brand/brandBook";
import { type TeamScope } from "../db/teamScope";
import { originalKey } from "../storage/keys";
import { store } from "../storage/store";
import { newestTemplate } from "./templateStore";

/** A template as an open package: a zip of `template.json` and the media it shows, streamed. Throws a 404 when there is none. */
export async function exportPackage(
  scope: TeamScope,
  memberId: string,
  slug: string,
): Promise<{ name: string; stream: ReadableStream }> {
  const found = await newestTemplate(scope, slug);
  if (!found) throw new Response(`There is no template “${slug}” in your team.`, { status: 404 });
  const ids = mediaOfTemplate(found.template);
  const rows =
    ids.length > 0 ? await scope.media().selectAll().where("id", "in", ids).where("state", "=", "ready").execute() : [];
  const files = new Map(rows.map((row, index) => [row.id, `media/${index + 1}-${row.name.replace(/[/\\]/g, "-")}`]));
  const media = rows.map((row): PackagedMedia => ({
    file: files.get(row.id) ?? "",
    name: row.name,
    kind: row.kind === "clip" ? "clip" : "picture",
    sha256: row.sha256,
    rights: { source: row.source, licence: row.licence, holder: row.holder, from: row.rights_from, to: row.rights_to },
  }));
  const brand = await workingBrand(scope, memberId);
  const faces = brand?.book.faces ?? null;
  const about: TemplatePackage = {
    format: PACKAGE_FORMAT,
    version: 1,
    template: templateDocument(renameMedia(found.template, (id) => files.get(id) ?? null)),
    media,
    fonts: faces ? FACE_ROLES.map((role) => ({ role, family: faces[role].family })) : [],
  };
  const zip = archiver("zip", { zlib: { level: 6 } });
  zip.append(`${JSON.stringify(about, null, 2)}\n`, { name: PACKAGE_FILE });
  for (const row of rows) zip.file(await store().local(originalKey(row.sha256)), { name: files.get(row.id) ?? "" });
  void zip.finalize();
  return { name: `${slug}.template.zip`, stream: createReadableStreamFromReadable(zip) };
}
