import { string } from "yup";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "./storedFacts";
import { versionNamed, versionPath } from "./soundVersions";
import { stripPath } from "./filmstrip";
import { tonesPath } from "./tones";
import { levelKey, proxyKey, soundProxyKey } from "../storage/keys";
import { store } from "../storage/store";

const missing = (): Response => new Response("There is no such media item in your team.", { status: 404 });

/** Where a working copy of a team's item lies. Throws a 404 for another team's, as for none. */
export async function mediaFilePath(
  scope: TeamScope,
  id: string,
  file: string,
): Promise<{ path: string; type: string; etag: string }> {
  if (!string().uuid().required().isValidSync(id)) throw missing();
  const row = await scope
    .media()
    .select(["id", "name", "kind", "facts", "state", "sha256"])
    .where("id", "=", id)
    .executeTakeFirst();
  if (!row) throw missing();
  const etag = `${row.sha256.slice(0, 16)}-${file}`;
  if (file === "tones") {
    const facts = row.state === "ready" ? mediaFacts(row) : null;
    if (!facts || facts.kind === "sound") throw missing();
    return { path: await tonesPath(facts, row.sha256), type: "application/json", etag };
  }
  if (file === "strip") {
    const facts = row.state === "ready" ? mediaFacts(row) : null;
    if (facts?.kind !== "clip") throw missing();
    return { path: await stripPath(facts, row.sha256), type: "image/webp", etag };
  }
  const version = versionNamed(file);
  if (version) {
    const facts = row.state === "ready" ? mediaFacts(row) : null;
    if (!facts || facts.kind === "picture" || (facts.kind === "clip" && !facts.hasSound)) throw missing();
    return { path: await versionPath(row, version), type: "application/octet-stream", etag };
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
  // An item whose file is replaced keeps its address; the bytes are named by their hash.
  return { path: await store().local(found.key), type: found.type, etag };
}
