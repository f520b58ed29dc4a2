import { string } from "yup";
import { type MediaState } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { fileResponse } from "../fileResponse";
import { fileVersion } from "./fileVersion";
import { mediaFacts } from "./storedFacts";
import { versionNamed, versionPath } from "./soundVersions";
import { stripPath } from "./filmstrip";
import { tonesPath } from "./tones";
import { levelKey, proxyKey, soundProxyKey } from "../storage/keys";
import { store } from "../storage/store";

const missing = (): Response => new Response("There is no such media item in your team.", { status: 404 });

/**
 * A working copy of a team's item. An item whose file is replaced keeps its address: who says in it which version is meant
 * (`of`) keeps what is answered for good, others ask each time. Throws a 404 for another team's, as for none.
 */
export async function answerWorkingCopy(
  request: Request,
  scope: TeamScope,
  { id, file }: { readonly id: string; readonly file: string },
): Promise<Response> {
  if (!string().uuid().required().isValidSync(id)) throw missing();
  const row = await scope
    .media()
    .select(["id", "name", "kind", "facts", "state", "sha256"])
    .where("id", "=", id)
    .executeTakeFirst();
  if (!row) throw missing();
  const version = fileVersion(row.sha256);
  const { path, type } = await copyOf(row, file);
  const immutable = new URL(request.url).searchParams.get("of") === version;
  return fileResponse(request, path, { type, immutable, etag: `${version}-${file}` });
}

type Row = Parameters<typeof mediaFacts>[0] & { readonly state: MediaState };

async function copyOf(row: Row, file: string): Promise<{ readonly path: string; readonly type: string }> {
  if (file === "tones") {
    const facts = row.state === "ready" ? mediaFacts(row) : null;
    if (!facts || facts.kind === "sound") throw missing();
    return { path: await tonesPath(facts, row.sha256), type: "application/json" };
  }
  if (file === "strip") {
    const facts = row.state === "ready" ? mediaFacts(row) : null;
    if (facts?.kind !== "clip") throw missing();
    return { path: await stripPath(facts, row.sha256), type: "image/webp" };
  }
  const version = versionNamed(file);
  if (version) {
    const facts = row.state === "ready" ? mediaFacts(row) : null;
    if (!facts || facts.kind === "picture" || (facts.kind === "clip" && !facts.hasSound)) throw missing();
    return { path: await versionPath(row, version), type: "application/octet-stream" };
  }
  const level = /^level-(\d{1,2})$/.exec(file)?.[1];
  const found =
    level !== undefined
      ? { key: levelKey(row.sha256, Number(level)), type: "image/webp" }
      : file === "proxy"
        ? { key: proxyKey(row.sha256), type: "video/mp4" }
        : file === "sound"
          ? { key: soundProxyKey(row.sha256), type: "audio/mp4" }
          : null;
  if (!found || !(await store().has(found.key))) throw missing();
  return { path: await store().local(found.key), type: found.type };
}
