import { sql } from "kysely";
import { resolvePromotion } from "../../core/document/resolve";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { RATES } from "../../core/output/rates";
import { type WantedFile } from "../../core/output/renderWish";
import { outputSize } from "../../core/placement/quality";
import { type TeamScope } from "../db/teamScope";
import { type RenderInput, paintedFor } from "./renderInput";
import { renderPlan } from "./renderPlan";
import { missingSegments } from "./segmentPainter";
import { SOUND_BITS } from "./soundTrack";

/** What a render would take, before it is asked for. */
export interface Estimate {
  /** Frames of all its films, and how many of them have to be painted. */
  readonly frames: number;
  readonly fresh: number;
  /** How long it takes once it begins, in seconds. */
  readonly seconds: number;
  /** How large all its files are. */
  readonly bytes: number;
}

/** Until enough was measured: milliseconds for a million pixels painted, and bytes for a million pixels shown. */
const FIRST_PAINT_MS = 40;
const FIRST_BYTES = 12_000;
/** What a file takes beside its frames: its sound, and putting it together. */
const FILE_MS = 2500;
const SOUND_BYTES_A_SECOND = SOUND_BITS / 8;
/** So many of the newest renditions count. */
const NEWEST = 40;

/** How much of a render is new, and about how long and how large it will be, as renders of the team were before. */
export async function estimateRender(
  scope: TeamScope,
  input: RenderInput,
  files: readonly WantedFile[],
): Promise<Estimate> {
  const measured = await measuredSpeed(scope);
  const soundBytes = (resolvePromotion(input.document, input.facts).length / 1000) * SOUND_BYTES_A_SECOND;
  const known = new Set<string>();
  let [frames, fresh, milliseconds, bytes] = [0, 0, 0, 0];
  for (const { format, output } of files) {
    const { isMoving, hasSound } = FILE_KINDS[output.kind];
    const { width, height } = outputSize(format, output.quality);
    const megapixels = (width * height) / 1e6;
    milliseconds += FILE_MS;
    if (!isMoving) {
      bytes += hasSound ? soundBytes : megapixels * 1e6;
      continue;
    }
    const plan = await renderPlan(input, paintedFor(format, output), RATES[output.rate]);
    frames += plan.frames;
    // What several files show is painted once.
    const unseen = plan.segments.filter(({ key }) => !known.has(key));
    for (const { key } of unseen) known.add(key);
    for (const { from, to } of await missingSegments(unseen)) {
      fresh += to - from;
      milliseconds += (to - from) * megapixels * measured.paintMs;
    }
    const perFrame = megapixels * (measured.bytes.get(output.kind) ?? FIRST_BYTES);
    const usual = plan.frames * perFrame + (hasSound ? soundBytes : 0);
    bytes += Math.min(usual, output.mostBytes ?? Infinity);
  }
  return { frames, fresh, seconds: milliseconds / 1000, bytes: Math.round(bytes) };
}

/** A stretch of time in which something was painted, in milliseconds. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** How long it was painted at all: what is made side by side takes its time once. */
export function timeOf(stretches: readonly Stretch[]): number {
  let [sum, until] = [0, -Infinity];
  for (const { from, to } of stretches.toSorted((one, other) => one.from - other.from)) {
    sum += Math.max(0, to - Math.max(from, until));
    until = Math.max(until, to);
  }
  return sum;
}

/** Millions of pixels that a frame has at least: of a square one. */
const MEGAPIXELS = { draft: 0.23, rendition: 1.17 } as const;

/** How fast a team's frames were painted, and how large their files came out, for a million pixels. */
async function measuredSpeed(scope: TeamScope) {
  const [painted, rendered] = await Promise.all([
    scope.connection
      .selectFrom("job_time")
      .where("team_id", "=", scope.teamId)
      .where("kind", "in", ["draft", "rendition"])
      .where("fresh_frames", ">", 0)
      .orderBy("ended_at", "desc")
      .limit(NEWEST)
      .select(["kind", "took_ms", "fresh_frames", "ended_at"])
      .execute(),
    scope
      .select("rendition")
      .where("state", "=", "ready")
      .orderBy("created_at", "desc")
      .limit(NEWEST)
      .select([
        sql<string>`output ->> 'kind'`.as("kind"),
        sql<number | null>`(file ->> 'bytes')::float8`.as("bytes"),
        sql<
          number | null
        >`(file ->> 'width')::float8 * (file ->> 'height')::float8 * (file ->> 'frames')::float8 / 1e6`.as("shown"),
      ])
      .execute(),
  ]);
  const time = timeOf(
    painted.map(({ took_ms, ended_at }) => ({ from: ended_at.getTime() - took_ms, to: ended_at.getTime() })),
  );
  const pixels = painted.reduce(
    (sum, { kind, fresh_frames }) => sum + fresh_frames * MEGAPIXELS[kind === "draft" ? "draft" : "rendition"],
    0,
  );
  const sums = new Map<string, { bytes: number; shown: number }>();
  for (const { kind, bytes, shown } of rendered) {
    if (bytes === null || shown === null || shown === 0) continue;
    const sum = sums.get(kind) ?? { bytes: 0, shown: 0 };
    sums.set(kind, { bytes: sum.bytes + bytes, shown: sum.shown + shown });
  }
  return {
    paintMs: pixels > 0 ? time / pixels : FIRST_PAINT_MS,
    bytes: new Map([...sums].map(([kind, { bytes, shown }]) => [kind, bytes / shown])),
  };
}
