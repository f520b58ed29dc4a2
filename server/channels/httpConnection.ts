import { createReadStream } from "node:fs";
import { stat } from "node:fs/promises";
import { Upload } from "tus-js-client";
import { type AnyObjectSchema, type InferType, array, date, mixed, number, object, string } from "yup";
import { readPlacement } from "../../core/placement/placementSchema";
import { ChannelAway, type ChannelConnection, PostRefused } from "./connection";

const TIME_LIMIT_MS = 30_000;
const CHUNK_BYTES = 4_000_000;

const channelList = object({
  channels: array(
    object({
      id: string().required(),
      title: string().required(),
      about: string().required(),
      placements: array(mixed<object>().required()).required(),
    }),
  ).required(),
});
const made = object({ id: string().required() });
const standing = object({ state: string().oneOf(["processing", "live"]).required(), liveAt: date().required() });
const seen = object({
  days: array(object({ day: string().required(), views: number().integer().min(0).required() })).required(),
});
const refusal = object({ problems: array(string().required()).default([]), problem: string().default("") });

interface Asking {
  readonly method?: "POST" | "DELETE";
  readonly body?: string;
  readonly headers?: Readonly<Record<string, string>>;
}

/** Posts to channels over HTTP, as the simulated ones take it (see `demo/channels`). */
export function httpConnection(address: string, token: string): ChannelConnection {
  const headers = { authorization: `Bearer ${token}` };

  async function ask(path: string, { headers: more = {}, ...init }: Asking = {}): Promise<unknown> {
    const answer = await fetch(new URL(path, address), {
      ...init,
      headers: { ...headers, "content-type": "application/json", ...more },
      signal: AbortSignal.timeout(TIME_LIMIT_MS),
    }).catch((error: unknown) => {
      throw new ChannelAway(
        `The channel does not answer: ${error instanceof Error ? error.message : "no connection"}.`,
      );
    });
    if (answer.status === 429 || answer.status >= 500)
      throw new ChannelAway(
        answer.status === 429 ? "The channel takes no more for a moment." : "The channel is out of order.",
        1000 * Number(answer.headers.get("retry-after") ?? 0),
      );
    const said: unknown = answer.status === 204 ? {} : await answer.json().catch(() => ({}));
    if (answer.ok) return said;
    const { problems, problem } = refusal.validateSync(said);
    throw new PostRefused(problems.length > 0 ? `${problems.join(". ")}.` : problem || "The channel refused it.");
  }
  async function read<Schema extends AnyObjectSchema>(path: string, schema: Schema): Promise<InferType<Schema>> {
    return schema.validate(await ask(path));
  }

  return {
    async channels() {
      const { channels } = await read("/v1/channels", channelList);
      return channels.map(({ placements, ...channel }) => ({ ...channel, placements: placements.map(readPlacement) }));
    },
    async upload(path, begun, onBegun) {
      const { size } = await stat(path);
      return new Promise((resolve, reject) => {
        const upload: Upload = new Upload(createReadStream(path), {
          ...{ endpoint: new URL("/v1/files", address).href, headers, uploadSize: size, chunkSize: CHUNK_BYTES },
          ...(begun === null ? {} : { uploadUrl: begun }),
          // The job tries again, later and later.
          retryDelays: null,
          onUploadUrlAvailable: () => void onBegun(upload.url ?? "").catch(reject),
          onError: (error) => reject(new ChannelAway(`The file did not arrive: ${error.message.slice(0, 200)}`)),
          onSuccess: () => resolve(new URL(upload.url ?? "", address).pathname.split("/").at(-1) ?? ""),
        });
        upload.start();
      });
    },
    async post({ key, ...post }) {
      const answer = await ask("/v1/posts", {
        method: "POST",
        body: JSON.stringify(post),
        headers: { "idempotency-key": key },
      });
      return (await made.validate(answer)).id;
    },
    async liveAt(id) {
      const { state, liveAt } = await read(`/v1/posts/${encodeURIComponent(id)}`, standing);
      return state === "live" ? liveAt : null;
    },
    async remove(id) {
      await ask(`/v1/posts/${encodeURIComponent(id)}`, { method: "DELETE" });
    },
    async views(id) {
      return (await read(`/v1/posts/${encodeURIComponent(id)}/views`, seen)).days;
    },
    pageOf: (id) => new URL(`/posts/${id}`, address).href,
  };
}
