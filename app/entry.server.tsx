import { randomBytes } from "node:crypto";
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { type RenderToPipeableStreamOptions, renderToPipeableStream } from "react-dom/server";
import { type EntryContext, type HandleErrorFunction, ServerRouter, isRouteErrorResponse } from "react-router";
import { Refusal } from "../core/refusal";
import { noteFailure } from "../server/doors/answered";
import { isDatabaseAway } from "../server/db/away";
import { log } from "../server/log";
import { Nonce } from "./nonce";

const STREAM_WITHIN_MS = 5_000;

/** Sends a page, with scripts that only run by the nonce of this very answer. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
): Promise<Response> | Response {
  const nonce = randomBytes(16).toString("base64");
  headers.set("x-script-nonce", nonce);
  headers.set("content-type", "text/html; charset=utf-8");
  if (request.method.toUpperCase() === "HEAD") return new Response(null, { status, headers });
  const ready: keyof RenderToPipeableStreamOptions =
    isbot(request.headers.get("user-agent")) || routerContext.isSpaMode ? "onAllReady" : "onShellReady";
  return new Promise((resolve, reject) => {
    let sentStatus = status;
    const { pipe, abort } = renderToPipeableStream(
      <Nonce value={nonce}>
        <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
      </Nonce>,
      {
        nonce,
        [ready]() {
          const body = new PassThrough();
          body.on("close", () => clearTimeout(late));
          pipe(body);
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status: sentStatus }));
        },
        onShellError: reject,
        onError(error: unknown) {
          sentStatus = 500;
          log.error({ error: error instanceof Error ? error.stack : String(error) }, "a page was not drawn to its end");
        },
      },
    );
    const late = setTimeout(abort, STREAM_WITHIN_MS + 1000);
  });
}

/** Of the router's own answers those that are for whoever asked. */
const isAnsweredInWords = (error: unknown): boolean => isRouteErrorResponse(error) && error.status < 500;

/** What no route has caught: said to the log, and noted for the answer. */
export const handleError: HandleErrorFunction = (error, { request }) => {
  noteFailure(error);
  // A refusal is no fault: whoever asked is told why. Neither is what no page would ask, such as a form for what takes none.
  if (request.signal.aborted || error instanceof Refusal || isAnsweredInWords(error)) return;
  const said = { path: new URL(request.url).pathname, error: error instanceof Error ? error.stack : String(error) };
  log[isDatabaseAway(error) ? "warn" : "error"](said, "request failed");
};
