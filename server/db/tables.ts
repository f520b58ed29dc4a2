import { type ColumnType, type Generated, type JSONColumnType } from "kysely";

type Timestamp = ColumnType<Date, Date | undefined, Date>;
/** JSON from the database is unknown until a schema has read it. */
type Json = JSONColumnType<object, string, string>;

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
}
export interface MemberTable extends TeamRow {
  email: string;
  name: string;
  role: Role;
  password_hash: string;
}
export interface SessionTable {
  token_hash: string;
  team_id: string;
  member_id: string;
  expires_at: Date;
}
export interface SignInAttemptTable {
  email: string;
  failures: number;
  blocked_until: Date;
}
export interface BrandTable extends TeamRow {
  name: string;
  palette: Json;
  headline_family: string;
  text_family: string;
  website: string;
  handle: string;
  call: string;
  logo_media_id: string | null;
}
export interface ProductTable extends TeamRow {
  name: string;
  line: string;
  price_minor: number;
  currency: string;
  picture_media_id: string | null;
}
export interface OfferTable extends TeamRow {
  name: string;
  kind: "percent-off" | "new-price";
  percent: number | null;
  price_minor: number | null;
  currency: string;
  starts_at: Date;
  ends_at: Date;
  zone: string;
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
}
export interface PromotionTable extends TeamRow {
  slug: string;
  name: string;
  document: Json;
  revision: Generated<number>;
  created_at: Timestamp;
  updated_at: Timestamp;
}
export interface PromotionRevisionTable {
  team_id: string;
  promotion_id: string;
  revision: number;
  document: Json;
  member_id: string | null;
  created_at: Timestamp;
}
export interface RenderTable extends TeamRow {
  promotion_id: string;
  revision: number;
  quality: string;
  input: Json;
  created_at: Timestamp;
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
}
export interface WorkerTable {
  id: string;
  seen_at: Date;
}

export interface Database {
  team: TeamTable;
  member: MemberTable;
  session: SessionTable;
  sign_in_attempt: SignInAttemptTable;
  brand: BrandTable;
  product: ProductTable;
  offer: OfferTable;
  media: MediaTable;
  promotion: PromotionTable;
  promotion_revision: PromotionRevisionTable;
  render: RenderTable;
  rendition: RenditionTable;
  worker: WorkerTable;
}
