import { resolve } from "node:path";
import { number, object, string } from "yup";

/** Everything a deployment may set, from the environment. See the README for what each is. */
const schema = object({
  DATABASE_URL: string().required("DATABASE_URL must name the PostgreSQL database."),
  STENCILCRAFT_DATA: string().default(".data"),
  PORT: number().integer().min(1).max(65535).default(4173),
  HOST: string().default("127.0.0.1"),
  LOG_LEVEL: string().oneOf(["fatal", "error", "warn", "info", "debug"]).default("info"),
  PAINT_THREADS: number().integer().min(1).max(64).optional(),
  S3_BUCKET: string().optional(),
  S3_REGION: string().default("us-east-1"),
  S3_ENDPOINT: string().optional(),
  S3_ACCESS_KEY_ID: string().optional(),
  S3_SECRET_ACCESS_KEY: string().optional(),
  WEB_PROCESSES: number().integer().min(1).max(64).optional(),
  PROXIES: number().integer().min(0).max(5).default(0),
  SECURE_COOKIES: string().oneOf(["yes", "no"]).default("no"),
  LIMIT_PICTURE_BYTES: number().default(80_000_000),
  LIMIT_PICTURE_PIXELS: number().default(120_000_000),
  /** How many renditions of a team may wait or be worked on at once. */
  LIMIT_TEAM_RENDITIONS: number().integer().min(1).default(300),
  LIMIT_CLIP_BYTES: number().default(2_000_000_000),
  LIMIT_CLIP_SECONDS: number().default(600),
  LIMIT_CLIP_PIXELS: number().default(4096 * 2304),
  LIMIT_CLIP_TRACKS: number().default(8),
  KEEP_EDITS_DAYS: number().integer().min(1).default(7),
  KEEP_REMOVED_DAYS: number().integer().min(1).default(30),
  KEEP_MADE_DAYS: number().integer().min(1).default(30),
  KEEP_RENDERS_DAYS: number().integer().min(1).default(90),
  KEEP_DEEDS_DAYS: number().integer().min(1).default(365),
  /** What a machine keeps of a bucket's files, to have them at hand. */
  CACHE_BYTES: number().min(0).default(20_000_000_000),
  /** Where channels are posted to, and what is shown to them; none without. */
  CHANNELS_URL: string()
    .test(
      "url",
      "CHANNELS_URL must be a whole address, as in http://127.0.0.1:5000.",
      (text) => text === undefined || URL.canParse(text),
    )
    .optional(),
  CHANNELS_TOKEN: string().optional(),
  LEAST_FREE_BYTES: number().min(0).default(200_000_000),
});

export type Config = ReturnType<typeof readConfig>;

/** Reads the configuration. Throws, naming the variable, when one is missing or wrong. */
export function readConfig(environment: NodeJS.ProcessEnv = process.env) {
  const read = schema.validateSync(environment, { stripUnknown: true });
  return { ...read, data: resolve(read.STENCILCRAFT_DATA) };
}

let known: Config | null = null;
export const config = (): Config => (known ??= readConfig());
