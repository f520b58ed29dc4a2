/** What a job is to whoever waits behind it. */
export const WORK_KINDS = ["clip", "file", "draft", "rendition", "other"] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/** One and many. */
const KIND_NAMES: Readonly<Record<WorkKind, readonly [one: string, many: string]>> = {
  clip: ["a clip", "clips"],
  file: ["a file", "files"],
  draft: ["a draft", "drafts"],
  rendition: ["a rendition", "renditions"],
  other: ["other work", "other pieces of work"],
};

/** A job that waits or runs. */
export interface QueuedWork {
  readonly key: string;
  readonly kind: WorkKind;
  /** For how long it has run, in milliseconds; null where it waits. */
  readonly runsForMs: number | null;
}

/** What goes before a job that waits. */
export interface Wait {
  readonly behind: Readonly<Partial<Record<WorkKind, number>>>;
  /** About how long until it begins. */
  readonly ms: number;
}

/** One that has run longer than usual may end at any moment; it is taken to need this share of the usual time still. */
const LEAST_LEFT = 0.1;

/**
 * What goes before a job, and about how long that takes: what is left of all that runs, and the usual time of all that waits
 * before it, shared among as many as run at once. Null where the job does not wait.
 *
 * @param queue in the order in which it is taken, what runs first
 * @param usualMs how long work of each kind takes where it runs, the other work beside it
 */
export function waitFor(
  key: string,
  queue: readonly QueuedWork[],
  { usualMs, atOnce }: { readonly usualMs: Readonly<Record<WorkKind, number>>; readonly atOnce: number },
): Wait | null {
  const place = queue.findIndex((work) => work.key === key && work.runsForMs === null);
  if (place < 0) return null;
  const before = queue.slice(0, place);
  const behind: Partial<Record<WorkKind, number>> = {};
  let ms = 0;
  for (const { kind, runsForMs } of before) {
    behind[kind] = (behind[kind] ?? 0) + 1;
    ms += Math.max(usualMs[kind] - (runsForMs ?? 0), usualMs[kind] * LEAST_LEFT);
  }
  return { behind, ms: atOnce > 0 ? ms / atOnce : Infinity };
}

/** “waits behind 2 clips and a draft, about 3 min”. */
export function waitInWords({ behind, ms }: Wait): string {
  if (ms === Infinity) return "waits: nothing is worked on just now";
  const parts = WORK_KINDS.flatMap((kind) => {
    const count = behind[kind] ?? 0;
    const [one, many] = KIND_NAMES[kind];
    return count === 0 ? [] : [count === 1 ? one : `${count} ${many}`];
  });
  if (parts.length === 0) return "is next";
  const all = parts.length === 1 ? parts[0] : `${parts.slice(0, -1).join(", ")} and ${parts.at(-1)}`;
  return `waits behind ${all}, ${aboutInWords(ms)}`;
}

/** A length of time as one says it: “under a minute”, “about 4 min”, “about 2 h”. */
export function aboutInWords(ms: number): string {
  const minutes = Math.round(ms / 60_000);
  if (minutes < 1) return "under a minute";
  return minutes < 90 ? `about ${minutes} min` : `about ${Math.round(minutes / 60)} h`;
}
