import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { type StoredFile } from "../storage/storeType";
import { type Folder, KINDS, MADE, referredBy } from "./unreferredFiles";

/** Media as it was brought in, apart from what is made of it. */
const ORIGINALS = "originals";
const WORKING_COPIES = "working copies";
/** Files that no row refers to: they go when they are old enough. */
const LEFT = "not in use any more";

interface Used {
  files: number;
  bytes: number;
}

/** Adds up the space that each team uses, by kind, and what all of them share. */
export interface SpaceCount {
  readonly add: (folder: Folder, file: StoredFile) => void;
  /** Keeps what was added up, until it is counted again. */
  keep(at: Date): Promise<void>;
}

export async function openSpaceCount(db: Kysely<Database>): Promise<SpaceCount> {
  const owners = await ownersOf(db);
  const used = new Map<string, Map<string, Used>>();
  return {
    add(folder, { key, bytes }) {
      const owning = owners.get(referredBy(folder, key));
      const kind = owning || MADE.has(folder) ? usualKind(folder, key) : LEFT;
      // What several teams brought lies there once; each is told of it.
      for (const team of owning ?? [""]) {
        const kinds = used.get(team) ?? new Map<string, Used>();
        const sum = kinds.get(kind) ?? { files: 0, bytes: 0 };
        kinds.set(kind, { files: sum.files + 1, bytes: sum.bytes + bytes });
        used.set(team, kinds);
      }
    },
    async keep(at) {
      const rows = [...used].flatMap(([team, kinds]) =>
        [...kinds].map(([kind, sum]) => ({ team_id: team === "" ? null : team, kind, ...sum, counted_at: at })),
      );
      await db.transaction().execute(async (within) => {
        await within.deleteFrom("space_used").execute();
        if (rows.length > 0) await within.insertInto("space_used").values(rows).execute();
      });
    },
  };
}

function usualKind(folder: Folder, key: string): string {
  if (folder !== "media") return KINDS[folder];
  return key.endsWith("/original") ? ORIGINALS : WORKING_COPIES;
}

/** Which teams each file of media, each font and each rendition is of. */
async function ownersOf(db: Kysely<Database>): Promise<ReadonlyMap<string, readonly string[]>> {
  const { rows } = await sql<{ what: string; teams: string[] }>`
    select what, array_agg(distinct team_id::text) as teams from (
      select sha256 as what, team_id from media
      union all select sha256, team_id from font
      union all select file_key, team_id from rendition where file_key is not null) as all_of_them
    group by what`.execute(db);
  return new Map(rows.map(({ what, teams }) => [what, teams]));
}

/** How much space something uses. */
export interface SpaceOfKind {
  readonly kind: string;
  readonly files: number;
  readonly bytes: number;
  readonly isShared: boolean;
  /** Nothing refers to it: it goes when it is old enough. */
  readonly isLeft: boolean;
}

/** What a team uses, by kind, the largest first; with what all teams share. Null while it was never counted. */
export async function spaceOf(
  scope: TeamScope,
): Promise<{ readonly countedAt: Date; readonly kinds: readonly SpaceOfKind[] } | null> {
  const rows = await scope.connection
    .selectFrom("space_used")
    .selectAll()
    .where((where) => where.or([where("team_id", "=", scope.teamId), where("team_id", "is", null)]))
    .execute();
  const [first] = rows;
  if (!first) return null;
  const kinds = rows.map(({ kind, files, bytes, team_id }) => ({
    kind,
    files,
    bytes: Number(bytes),
    isShared: team_id === null,
    isLeft: kind === LEFT,
  }));
  return { countedAt: first.counted_at, kinds: kinds.sort((one, other) => other.bytes - one.bytes) };
}
