import { type Decision, type ReviewState } from "../../core/review/reviewState";
import { type ColumnType, type Generated, type GeneratedAlways, type JSONColumnType } from "kysely";

type Timestamp = ColumnType<Date, Date | undefined, Date>;
/** JSON from the database is unknown until a schema has read it. */
type Json = JSONColumnType<object>;

export const ROLES = ["owner", "designer", "marketer", "reviewer"] as const;
export type Role = (typeof ROLES)[number];

interface TeamRow {
  id: Generated<string>;
  team_id: string;
}
export interface TeamTable {
  id: Generated<string>;
  name: string;
  locale: string;
  zone: string;
  currency: string;
  is_demo: Generated<boolean>;
  /** How files are called; empty for as usual. */
  file_pattern: Generated<string>;
  /** Whether all of a demo team is there; false while it is being loaded. */
  loaded: Generated<boolean>;
}
export interface TeamStampTable {
  team_id: string;
  /** Grows whenever something changes that the team's frames are drawn from, other than promotions. */
  stamp: ColumnType<string, number, number>;
  /** Grows whenever something changes that its pages may keep in memory. */
  kept: ColumnType<string, number | undefined, number>;
}
export interface MemberTable extends TeamRow {
  email: string;
  name: string;
  role: Role;
  password_hash: string;
  working_brand_id: string | null;
  joined_at: Timestamp;
  /** Whether they run the instance, and so may make teams on it. */
  operates: Generated<boolean>;
}
/** Something that somebody of a team did. */
export interface DeedTable {
  id: ColumnType<string, never, never>;
  team_id: string;
  at: Timestamp;
  by: string;
  did: string;
}
/** A link by which somebody joins, or, with a member, chooses another password. */
export interface InvitationTable extends TeamRow {
  token_hash: string;
  role: Role;
  /** For whom it is. */
  note: Generated<string>;
  member_id: string | null;
  made_by: string;
  created_at: Timestamp;
  expires_at: Date;
}
export interface SessionTable {
  id: Generated<string>;
  token_hash: string;
  team_id: string;
  member_id: string;
  expires_at: Date;
  started_at: Timestamp;
  seen_at: Timestamp;
  /** What the browser says that it is. */
  device: Generated<string>;
}
/** How fast passwords may be tried: by a client, for an address, or by a client for an address. */
export interface SignInPaceTable {
  key: string;
  tries: Generated<number>;
  /** When the next try may be checked. */
  next_at: Timestamp;
}
export interface BrandTable extends TeamRow {
  name: string;
  book: Json;
  made_at: Generated<Date>;
  /** The one of a team that was made the usual one last is it. */
  usual_since: Date | null;
}
export interface ProductTable extends TeamRow {
  name: string;
  line: string;
  price_minor: number;
  currency: string;
  code: Generated<string>;
  text: Generated<string>;
  content_quantity: number | null;
  content_unit: string | null;
  link: Generated<string>;
  tags: Generated<string[]>;
  in_stock: Generated<boolean>;
  search: GeneratedAlways<string>;
}
export interface ProductPictureTable {
  team_id: string;
  product_id: string;
  media_id: string;
  position: number;
}
export interface PriceStepTable {
  team_id: string;
  product_id: string;
  from_at: Timestamp;
  price_minor: number;
  currency: string;
}
export interface OfferTable extends TeamRow {
  name: string;
  terms: Json;
  scope: Json;
  currency: string;
  starts_at: Date;
  ends_at: Date;
  zone: string;
  code: Generated<string>;
  small_print: Generated<string>;
  limits: Generated<string>;
}
export interface CollectionTable extends TeamRow {
  name: string;
}
export interface CollectionMediaTable {
  team_id: string;
  collection_id: string;
  media_id: string;
}
export interface FontTable extends TeamRow {
  family: string;
  file_name: string;
  sha256: string;
  facts: Json;
  created_at: Timestamp;
}
export type MediaState = "waiting" | "working" | "ready" | "failed";
export interface MediaTable extends TeamRow {
  name: string;
  kind: "picture" | "clip" | "sound";
  state: MediaState;
  progress: Generated<number>;
  problem: string | null;
  sha256: string;
  mime: string;
  bytes: ColumnType<string, number, number>;
  facts: JSONColumnType<object, string | null, string | null> | null;
  created_at: Timestamp;
  tags: Generated<string[]>;
  is_logo: Generated<boolean>;
  source: Generated<string>;
  licence: Generated<string>;
  holder: Generated<string>;
  /** Whole days, `YYYY-MM-DD`. */
  rights_from: string | null;
  rights_to: string | null;
  width: number | null;
  height: number | null;
  length_ms: number | null;
  /** Everyday colour words. */
  colors: Generated<string[]>;
  /** The perceptual hash, as a signed 64-bit number. */
  look: string | null;
  sharpness: number | null;
  deleted_at: Date | null;
  search: GeneratedAlways<string>;
}
export interface TemplateTable extends TeamRow {
  slug: string;
  name: string;
  /** The document as designers work on it. */
  draft: Json;
  revision: Generated<number>;
  /** The newest edition that was published; 0 while there is none. */
  edition: Generated<number>;
  updated_at: Timestamp;
  removed_at: Date | null;
}
export interface TemplateEditionTable {
  team_id: string;
  template_id: string;
  edition: number;
  document: Json;
  member_id: string | null;
  created_at: Timestamp;
}
export interface TemplateFavouriteTable {
  team_id: string;
  member_id: string;
  slug: string;
}
export interface PromotionTable extends TeamRow {
  slug: string;
  name: string;
  document: Json;
  revision: Generated<number>;
  created_at: Timestamp;
  updated_at: Timestamp;
  /** When it was taken out of the lists of work. */
  archived_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  /** What a person files it under; nothing for none. */
  campaign: Generated<string>;
  made_by: ColumnType<string | null, string | null | undefined, string | null>;
  /** What it is about, as its document says. */
  brand_id: ColumnType<string | null, never, never>;
  product_id: ColumnType<string | null, never, never>;
  template_slug: ColumnType<string | null, never, never>;
  review: Generated<ReviewState>;
  /** Since when the review stands so, and by whom. */
  review_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  review_by: ColumnType<string | null, string | null | undefined, string | null>;
}
/** A placement as a team has it; null for one that ships and was taken out. */
export interface PlacementTable {
  team_id: string;
  slug: string;
  document: JSONColumnType<object, string | null, string | null> | null;
}
/** A link by which people without an account see a promotion. */
export interface ShareLinkTable extends TeamRow {
  promotion_id: string;
  token_hash: string;
  /** Of what is embedded: by it the film is seen, and nothing else. */
  embed_hash: string;
  /** For whom it is. */
  note: Generated<string>;
  password_hash: string | null;
  ends_at: Date | null;
  revoked_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  opened: Generated<number>;
  opened_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  made_by: string;
  created_at: Timestamp;
}
export interface ReviewCommentTable extends TeamRow {
  promotion_id: string;
  /** The comment that it answers. */
  answers: string | null;
  /** Which revision was looked at. */
  revision: number;
  /** The format, time and place (shares of width and height) that it is about; null where it is about the whole. */
  format: string | null;
  at_ms: number | null;
  x: number | null;
  y: number | null;
  words: string;
  by_name: string;
  member_id: string | null;
  link_id: string | null;
  created_at: Timestamp;
  resolved_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  resolved_by: ColumnType<string | null, string | null | undefined, string | null>;
}
export type PostState = "scheduled" | "posting" | "processing" | "live" | "failed" | "cancelled";
/** What a promotion's posts say. */
export interface PostTextTable {
  promotion_id: string;
  team_id: string;
  words: Json;
  /** By placement, where something else is said. */
  own: Json;
}
export interface PostTable extends TeamRow {
  promotion_id: string;
  /** Null once its file was forgotten. */
  rendition_id: string | null;
  channel: string;
  placement: string;
  words: Json;
  state: Generated<PostState>;
  /** When it is due. */
  at: Date;
  made_by: string;
  problem: ColumnType<string | null, string | null | undefined, string | null>;
  tries: Generated<number>;
  /** Counts how often it was asked for: what was begun for an earlier asking has no say any more. */
  asking: Generated<number>;
  /** Where its file was begun to be sent. */
  upload: ColumnType<string | null, string | null | undefined, string | null>;
  /** What the channel calls it. */
  remote_id: ColumnType<string | null, string | null | undefined, string | null>;
  live_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  created_at: Timestamp;
}
/** How often a post was seen on a day. */
export interface PostViewsTable {
  post_id: string;
  team_id: string;
  /** `YYYY-MM-DD`. */
  day: string;
  views: number;
}
/** What somebody decided about a render. */
export interface VerdictTable extends TeamRow {
  promotion_id: string;
  render_id: string;
  decision: Decision;
  words: Generated<string>;
  by_name: string;
  member_id: string | null;
  link_id: string | null;
  created_at: Timestamp;
}
export interface PromotionRevisionTable {
  team_id: string;
  promotion_id: string;
  revision: number;
  document: Json;
  member_id: string | null;
  created_at: Timestamp;
  /** What somebody called it who wanted it kept. */
  name: string | null;
}
export interface PromotionEditTable {
  team_id: string;
  promotion_id: string;
  /** The revision that these edits made. */
  revision: number;
  edits: Json;
  member_id: string | null;
  created_at: Timestamp;
}
export interface RenderTable extends TeamRow {
  promotion_id: string;
  revision: number;
  quality: string;
  input: Json;
  /** What was let pass, see server/render/passed.ts. */
  passed: JSONColumnType<object, string | null, string | null> | null;
  created_at: Timestamp;
  /** Null where it is not known any more. */
  asked_by: string | null;
}
export type RenditionState = "waiting" | "working" | "ready" | "failed" | "cancelled";
export interface RenditionTable extends TeamRow {
  render_id: string;
  format: string;
  state: Generated<RenditionState>;
  progress: Generated<number>;
  problem: string | null;
  file_key: string | null;
  file: JSONColumnType<object, string | null, string | null> | null;
  created_at: Timestamp;
  /** How it is made. */
  output: Json;
  /** What has changed since it was rendered, in words; null while it is what would be rendered now. */
  outdated_by: string | null;
  /** Counts how often it was asked for: what was begun for an earlier asking has no say any more. */
  asking: Generated<number>;
  /** When it was done, or given up. */
  ended_at: Date | null;
}
export interface WorkerTable {
  /** What the queue notes in jobs that it has taken. */
  id: string;
  /** By the database's clock. */
  seen_at: Date;
  host: Generated<string>;
  pid: Generated<number>;
}
/** How long jobs took that ended well. */
export interface JobTimeTable {
  kind: string;
  /** Null for work that is no team's own. */
  team_id: string | null;
  waited_ms: number;
  took_ms: number;
  /** Of a rendition, and how many of them had to be painted. */
  frames: Generated<number>;
  fresh_frames: Generated<number>;
  ended_at: Timestamp;
}
/** How much space is used, as it was counted last; what all teams share has no team. */
export interface SpaceUsedTable {
  team_id: string | null;
  kind: string;
  files: number;
  bytes: ColumnType<string, number, number>;
  counted_at: Date;
}
/** What was dropped on a slot while it was still to be read in. Of two on one slot, the later counts. */
export interface AwaitedFillTable {
  team_id: string;
  promotion_id: string;
  slot: string;
  media_id: string;
  member_id: string;
  /** How the slot was filled then: when that has changed meanwhile, somebody chose something else. */
  was: JSONColumnType<object | null>;
  created_at: Timestamp;
}
/** A job whose worker broke while it ran. */
export interface JobStrikeTable {
  job_key: string;
  strikes: Generated<number>;
  struck_at: Timestamp;
}

/** How the painting of a segment ended: it is in the store, or nobody is at it any more. */
export type SegmentEnd = "stored" | "failed" | "set aside" | "no room";
/** A segment that is, was or will be painted by a worker, by the hash over all that decides its pixels. */
export interface SegmentWorkTable {
  key: string;
  /** How many of its frames are painted. */
  painted: Generated<number>;
  ended: SegmentEnd | null;
  asked_at: Generated<Date>;
}
/** A rendition that waits for a segment, and where the segment lies in it. */
export interface SegmentWaitTable {
  key: string;
  rendition_id: string;
  from_frame: number;
  to_frame: number;
  /** By the database's clock: who says nothing until then waits no more. */
  until: Date;
}

export interface Database {
  team: TeamTable;
  team_stamp: TeamStampTable;
  member: MemberTable;
  invitation: InvitationTable;
  session: SessionTable;
  sign_in_pace: SignInPaceTable;
  brand: BrandTable;
  product: ProductTable;
  product_picture: ProductPictureTable;
  price_step: PriceStepTable;
  offer: OfferTable;
  media: MediaTable;
  collection: CollectionTable;
  collection_media: CollectionMediaTable;
  font: FontTable;
  template: TemplateTable;
  template_edition: TemplateEditionTable;
  template_favourite: TemplateFavouriteTable;
  promotion: PromotionTable;
  promotion_revision: PromotionRevisionTable;
  promotion_edit: PromotionEditTable;
  awaited_fill: AwaitedFillTable;
  placement: PlacementTable;
  share_link: ShareLinkTable;
  review_comment: ReviewCommentTable;
  verdict: VerdictTable;
  post_text: PostTextTable;
  post: PostTable;
  post_views: PostViewsTable;
  render: RenderTable;
  rendition: RenditionTable;
  worker: WorkerTable;
  job_strike: JobStrikeTable;
  deed: DeedTable;
  segment_work: SegmentWorkTable;
  segment_wait: SegmentWaitTable;
  job_time: JobTimeTable;
  space_used: SpaceUsedTable;
}
