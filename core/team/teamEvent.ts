import { boolean, lazy, mixed, number, object, string, type InferType } from "yup";

/** How far work on something has come, 0…1. */
const work = object({ id: string().required(), state: string().required(), progress: number().required() });
/** A media item is read in. */
const media = work.shape({
  topic: string()
    .oneOf(["media"] as const)
    .required(),
});
/** A rendition is made. */
const rendition = work.shape({
  topic: string()
    .oneOf(["rendition"] as const)
    .required(),
  /** The slug of what it shows, and its name. */
  promotion: string().required(),
  name: string().required(),
  /** Who asked for it; null where that is not known any more. */
  by: string().defined().nullable(),
  /** How many renditions of the same render are still waited for. */
  left: number().integer().required(),
});
/** A promotion, or the draft of a template, was saved. */
const saved = object({
  topic: string()
    .oneOf(["promotion", "template"] as const)
    .required(),
  slug: string().required(),
  revision: number().integer().required(),
  /** Who saved it. */
  by: string().required(),
});
/** Something was said about a promotion, or how its review stands has changed. */
const review = object({
  topic: string()
    .oneOf(["review"] as const)
    .required(),
  slug: string().required(),
  name: string().required(),
  what: string()
    .oneOf(["comment", "none", "asked", "changes", "approved", "lapsed"] as const)
    .required(),
  /** Who said or decided it. */
  by: string().required(),
});
/** How far a post has come. */
const post = object({
  topic: string()
    .oneOf(["post"] as const)
    .required(),
  id: string().required(),
  slug: string().required(),
  name: string().required(),
  state: string().required(),
});
/** Someone is at a promotion, or has left it. */
const presence = object({
  topic: string()
    .oneOf(["presence"] as const)
    .required(),
  slug: string().required(),
  /** Which of a person's open pages it is. */
  page: string().required(),
  name: string().required(),
  /** The slot they are in; empty where they are in none. */
  at: string().defined(),
  here: boolean().required(),
});
/** A session was ended: its open pages hear nothing more. */
const ended = object({
  topic: string()
    .oneOf(["session-ended"] as const)
    .required(),
  session: string().required(),
});
const BY_TOPIC = {
  media,
  rendition,
  promotion: saved,
  template: saved,
  presence,
  review,
  post,
  "session-ended": ended,
} as const;

/** Something that the open pages of a team may want to show. Told by any process, heard by every page. */
export type TeamEvent =
  | RenditionEvent
  | InferType<typeof media>
  | InferType<typeof saved>
  | PresenceEvent
  | ReviewEvent
  | InferType<typeof post>
  | InferType<typeof ended>;
export type RenditionEvent = InferType<typeof rendition>;
export type ReviewEvent = InferType<typeof review>;
export type PresenceEvent = InferType<typeof presence>;

const isTopic = (topic: string): topic is keyof typeof BY_TOPIC => Object.hasOwn(BY_TOPIC, topic);

const schema = lazy((value: unknown) => {
  const topic: unknown = typeof value === "object" && value !== null && "topic" in value ? value.topic : undefined;
  return typeof topic === "string" && isTopic(topic)
    ? BY_TOPIC[topic]
    : mixed<never>().test("topic", "There is no such topic.", () => false);
});

/** What was told, or null where it is no event. */
export function readTeamEvent(value: unknown): TeamEvent | null {
  return schema.isValidSync(value, { strict: true }) ? (value as TeamEvent) : null;
}

/** Whether what is told of a media item is the end of reading it in, good or bad. One that waits, for room as well, has it before it. */
export const endsReading = (state: string): boolean => state === "ready" || state === "failed";
