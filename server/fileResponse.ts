import { createReadableStreamFromReadable } from "@react-router/node";
import { createReadStream } from "node:fs";
import { stat } from "node:fs/promises";

/** Each chunk goes through several streams, which costs more than its bytes. */
const CHUNK_BYTES = 1 << 18;

interface FileResponseOptions {
  readonly type: string;
  /** Contents under this address never change, so browsers may keep them for good. */
  readonly immutable?: boolean;
  /** The name to save under; shown in the page when absent. */
  readonly saveAs?: string;
  /** Names the contents: a browser that has them is told so instead of sent them again. */
  readonly etag?: string;
}

/** A local file as a response, streamed, with byte ranges (RFC 9110) so that players can seek. */
export async function fileResponse(
  request: Request,
  path: string,
  { type, immutable, saveAs, etag }: FileResponseOptions,
): Promise<Response> {
  const tag = etag && `"${etag}"`;
  const cache = immutable ? "private, max-age=31536000, immutable" : "private, no-cache";
  if (tag && request.headers.get("if-none-match") === tag)
    return new Response(null, { status: 304, headers: { etag: tag, "cache-control": cache } });
  const { size } = await stat(path);
  const headers = new Headers({
    "content-type": type,
    "accept-ranges": "bytes",
    "cache-control": cache,
  });
  if (tag) headers.set("etag", tag);
  if (saveAs)
    headers.set(
      "content-disposition",
      `attachment; filename="${saveAs.replace(/[^\w.-]/g, "_")}"; filename*=UTF-8''${encodeURIComponent(saveAs)}`,
    );
  // Only of the very file that the rest is asked of (RFC 9110, 13.1.5).
  const isOfAnother = request.headers.has("if-range") && request.headers.get("if-range") !== tag;
  const range = isOfAnother ? null : /^bytes=(\d*)-(\d*)$/.exec(request.headers.get("range") ?? "");
  const stream = (start: number, end: number): ReadableStream =>
    createReadableStreamFromReadable(createReadStream(path, { start, end, highWaterMark: CHUNK_BYTES }));
  if (!range || (range[1] === "" && range[2] === "")) {
    headers.set("content-length", String(size));
    return new Response(size === 0 ? null : stream(0, size - 1), { headers });
  }
  const start = range[1] === "" ? Math.max(0, size - Number(range[2])) : Number(range[1]);
  const end = range[1] !== "" && range[2] !== "" ? Math.min(size - 1, Number(range[2])) : size - 1;
  if (start > end) return new Response(null, { status: 416, headers: { "content-range": `bytes */${size}` } });
  headers.set("content-range", `bytes ${start}-${end}/${size}`);
  headers.set("content-length", String(end - start + 1));
  return new Response(stream(start, end), { status: 206, headers });
}
