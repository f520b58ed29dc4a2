import { type ServerResponse } from "node:http";
import onHeaders from "on-headers";
import { config } from "../config";

/** What a page says its own scripts are marked with; never sent. */
const NONCE_HEADER = "x-script-nonce";
const YEAR_S = 31_536_000;
/** What passes has passed by then. */
const AGAIN_AFTER_S = 5;

/** What pages may load and run: their own, and of scripts in them only those with the answer's nonce. */
const policy = (nonce: string | null): string =>
  [
    "default-src 'self'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "style-src 'self' 'unsafe-inline'",
    `script-src 'self' ${nonce === null ? "" : `'nonce-${nonce}' `}'wasm-unsafe-eval'`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");

/**
 * Has a response carry the headers that keep pages safe, just before it is sent. What is made for one person is not kept by
 * anything on the way, nor shown by “Back” after signing out, unless the route itself says for how long.
 */
export function writeSafetyHeaders(response: ServerResponse, { development }: { readonly development: boolean }): void {
  response.setHeader("x-content-type-options", "nosniff");
  response.setHeader("referrer-policy", "same-origin");
  if (config().SECURE_COOKIES === "yes") response.setHeader("strict-transport-security", `max-age=${YEAR_S}`);
  // The nonce is known when the page is drawn.
  onHeaders(response, () => {
    const nonce = response.getHeader(NONCE_HEADER);
    response.removeHeader(NONCE_HEADER);
    if (!response.hasHeader("cache-control")) response.setHeader("cache-control", "no-store");
    if (response.statusCode === 503 && !response.hasHeader("retry-after"))
      response.setHeader("retry-after", AGAIN_AFTER_S);
    // The development server talks to the page in ways of its own.
    // What has a policy of its own says itself who may show it in a frame.
    if (!response.hasHeader("content-security-policy")) response.setHeader("x-frame-options", "DENY");
    if (!development && !response.hasHeader("content-security-policy"))
      response.setHeader("content-security-policy", policy(typeof nonce === "string" ? nonce : null));
  });
}
