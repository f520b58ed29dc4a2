import { stat } from "node:fs/promises";
import { config } from "../config";
import { type TeamScope } from "../db/teamScope";
import { isId } from "../ids";
import { enqueue } from "../jobs/enqueue";
import { originalKey } from "../storage/keys";
import { sha256Of } from "../storage/sha256";
import { store } from "../storage/store";
import { displayName } from "./fileName";
import { sniffType } from "./sniff";
import { UploadProblem } from "./uploadProblem";

export interface ReceivedMedia {
  readonly id: string;
  readonly name: string;
  /** The very bytes are here already, as this item; nothing was added. */
  readonly known: boolean;
}

export interface ReceiveWishes {
  /** Adds the file although its bytes are here already. */
  readonly again?: boolean;
  /** The item whose file this is to be from now on. */
  readonly replace?: string | null;
  readonly isLogo?: boolean;
}

/**
 * Takes in a file that lies on disk, whole, and moves it from there: tells its type from its bytes, stores it and queues its
 * ingest. Throws an UploadProblem in words where it is refused.
 */
export async function receiveMedia(
  scope: TeamScope,
  rawName: string,
  path: string,
  { again = false, replace = null, isLogo = false }: ReceiveWishes = {},
): Promise<ReceivedMedia> {
  const name = displayName(rawName);
  const { size: bytes } = await stat(path);
  if (bytes === 0)
    throw new UploadProblem(`“${name}” is empty (0 bytes). Export or copy it again, then bring it once more.`);
  const type = await sniffType(path, name);
  const { LIMIT_PICTURE_BYTES } = config();
  if (type.kind === "picture" && bytes > LIMIT_PICTURE_BYTES)
    throw new UploadProblem(tooLarge(name, "pictures", LIMIT_PICTURE_BYTES));
  const sha256 = await sha256Of(path);
  const known =
    again || replace
      ? undefined
      : await scope
          .media()
          .select(["id", "name"])
          .where("sha256", "=", sha256)
          .where("state", "!=", "failed")
          .executeTakeFirst();
  if (known) return { ...known, known: true };
  await store().keep(originalKey(sha256), path);
  const isLong = type.kind === "clip";
  if (replace) {
    const item = isId(replace)
      ? await scope.media().select(["id", "name", "kind"]).where("id", "=", replace).executeTakeFirst()
      : undefined;
    if (!item) throw new UploadProblem("The item to replace is not in your media any more.");
    if (item.kind !== type.kind)
      throw new UploadProblem(
        `“${name}” is a ${type.kind}, but “${item.name}” is a ${item.kind}: only the same kind can take its places.`,
      );
    await enqueue(scope.connection, "ingest-media", {
      media: item.id,
      isLong,
      team: scope.teamId,
      replacement: { sha256, mime: type.mime, bytes },
    });
    return { id: item.id, name: item.name, known: false };
  }
  const row = {
    name,
    kind: type.kind,
    state: "waiting" as const,
    sha256,
    mime: type.mime,
    bytes,
    facts: null,
    problem: null,
    is_logo: isLogo && type.kind === "picture",
  };
  const { id } = await scope.insert("media", row).returning("id").executeTakeFirstOrThrow();
  await enqueue(scope.connection, "ingest-media", { media: id, isLong, team: scope.teamId });
  return { id, name, known: false };
}

/** @param what kind of files, in the plural */
export const tooLarge = (name: string, what: string, limit: number): string =>
  `“${name}” is larger than the limit for ${what}: ${Math.round(limit / 1e6)} MB.`;
