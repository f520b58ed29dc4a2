import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { ValidationError } from "yup";
import {
  type PackagedMedia,
  PACKAGE_FILE,
  mediaOfTemplate,
  readPackage,
  renameMedia,
} from "../../core/document/templatePackage";
import { type Template } from "../../core/document/template";
import { templateDocument } from "../../core/document/templateDocument";
import { jsonPointer, readTemplate } from "../../core/document/templateSchema";
import { isShippedSlug } from "../../core/templates/shipped";
import { type TeamScope } from "../db/teamScope";
import { displayName } from "../media/fileName";
import { receiveMedia } from "../media/receive";
import { UploadProblem } from "../media/uploadProblem";
import { MOST_PACKAGE_BYTES } from "./packageLimits";
import { inWorkFolder } from "../workFolder";
import { freeSlug } from "../../core/text/slug";
import { takenSlugs } from "../promotions/takenSlugs";
import { readForeign } from "../foreign/readForeign";
import { type Unpacked } from "../foreign/unpackPackage";
import { spoolBody } from "../doors/spooledBody";
import { parseJson } from "../doors/readBody";

const MOST_JSON_BYTES = 2_000_000;

/**
 * Takes a template package in: checks all of it before anything is kept, then its media, through the same door as any
 * upload, then the template as the team's own, published in its first edition. Throws an UploadProblem in words.
 */
export async function importPackage(
  scope: TeamScope,
  memberId: string,
  rawName: string,
  body: ReadableStream<Uint8Array> | null,
): Promise<{ slug: string; name: string }> {
  const name = displayName(rawName);
  if (!body) throw new UploadProblem(`“${name}” is empty (0 bytes).`);
  return inWorkFolder("package", async (folder) => {
    const path = join(folder, "package.zip");
    await spoolBody(body, path, {
      ...{ name, most: MOST_PACKAGE_BYTES },
      tooLarge: `“${name}” is larger than the limit for packages: ${MOST_PACKAGE_BYTES / 1e6} MB.`,
    });
    const unpacked = await readForeign({ task: "unpackPackage", input: { zip: path, folder, name } }, name);
    return takeIn(scope, memberId, name, new Map(unpacked.map((file) => [file.name, file])));
  });
}

async function takeIn(
  scope: TeamScope,
  memberId: string,
  name: string,
  files: ReadonlyMap<string, Unpacked>,
): Promise<{ slug: string; name: string }> {
  const { template, media } = await readAbout(name, files);
  for (const { file, sha256 } of media) {
    const found = files.get(file);
    if (!found) throw new UploadProblem(`“${name}” names ${file}, but does not hold it.`);
    if (found.sha256 !== sha256)
      throw new UploadProblem(`${file} in “${name}” is not what the package says it is: its SHA-256 differs.`);
  }
  const ids = new Map<string, string>();
  for (const one of media) if (!ids.has(one.file)) ids.set(one.file, await takeMedia(scope, one, files.get(one.file)));
  const document = renameMedia(template, (file) => ids.get(file) ?? null);
  return addTemplate(scope, memberId, document);
}

/** Reads and checks `template.json`, with its media named by path. */
async function readAbout(
  name: string,
  files: ReadonlyMap<string, Unpacked>,
): Promise<{ template: Template; media: readonly PackagedMedia[] }> {
  const about = files.get(PACKAGE_FILE);
  if (!about) throw new UploadProblem(`“${name}” holds no ${PACKAGE_FILE}: it is not a template package.`);
  if (about.bytes > MOST_JSON_BYTES)
    throw new UploadProblem(`“${about.name}” in the package is larger than ${MOST_JSON_BYTES / 1e6} MB.`);
  const text = await readFile(about.path, "utf8");
  try {
    const { template: unread, media } = readPackage(parseJson(text, `${PACKAGE_FILE} in “${name}”`));
    // Its media are paths still; the schema of documents knows ids, so each stands in for one while it is checked.
    const paths = new Map<string, string>();
    const stand = readTemplate(withStandIns(unread, paths));
    const template = renameMedia(stand, (id) => paths.get(id) ?? null);
    const missing = mediaOfTemplate(template).find((path) => !media.some(({ file }) => file === path));
    if (missing)
      throw new UploadProblem(`The template in “${name}” shows ${missing}, which is not among the package’s media.`);
    return { template, media };
  } catch (error) {
    if (error instanceof ValidationError)
      throw new UploadProblem(`${PACKAGE_FILE} in “${name}” is not sound: ${problemsInWords(error)}`);
    throw error;
  }
}

/** At most a few problems, each with a JSON Pointer to its field. */
function problemsInWords(error: ValidationError): string {
  const all = error.inner.length > 0 ? error.inner : [error];
  return (
    all
      .slice(0, 4)
      .map(({ path, message }) => `${jsonPointer(path) || "/"}: ${message}`)
      .join(" ") + (all.length > 4 ? ` And ${all.length - 4} more.` : "")
  );
}

/** The document with each slot's media path replaced by an id made up for it. */
function withStandIns(value: unknown, paths: Map<string, string>): unknown {
  if (Array.isArray(value)) return value.map((one) => withStandIns(one, paths));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]): [string, unknown] => {
      if (key !== "media" || typeof one !== "string" || !one.startsWith("media/"))
        return [key, withStandIns(one, paths)];
      const id = `00000000-0000-4000-8000-${String(paths.size + 1).padStart(12, "0")}`;
      paths.set(id, one);
      return [key, id];
    }),
  );
}

async function takeMedia(
  scope: TeamScope,
  { name, rights }: PackagedMedia,
  file: Unpacked | undefined,
): Promise<string> {
  if (!file) throw new UploadProblem(`“${name}” is not in the package.`);
  const { id, known } = await receiveMedia(scope, name, file.path);
  if (!known)
    await scope
      .update("media")
      .set({
        source: rights.source,
        licence: rights.licence,
        holder: rights.holder,
        rights_from: rights.from,
        rights_to: rights.to,
      })
      .where("id", "=", id)
      .execute();
  return id;
}

/** Adds a template as the team's own, under a free address, published in its first edition. */
export async function addTemplate(
  scope: TeamScope,
  memberId: string | null,
  template: Template,
): Promise<{ slug: string; name: string }> {
  return scope.together(async (within) => {
    const taken = await takenSlugs(within, "template");
    if (isShippedSlug(template.slug)) taken.add(template.slug);
    const slug = freeSlug(template.slug, taken);
    const json = JSON.stringify(templateDocument({ ...template, slug }));
    const { id } = await within
      .insert("template", { slug, name: template.name, draft: json, edition: 1, removed_at: null })
      .returning("id")
      .executeTakeFirstOrThrow();
    await within
      .insert("template_edition", { template_id: id, edition: 1, document: json, member_id: memberId })
      .execute();
    return { slug, name: template.name };
  });
}
