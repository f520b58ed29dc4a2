/**
 * Whether a request that changes something comes from a page of our own. Browsers say where a request comes from in
 * `Sec-Fetch-Site`, older ones in `Origin`; programs that say neither carry no session of a browser's by accident.
 */
export function isFromOurPages(headers: {
  readonly origin?: string | undefined;
  readonly host?: string | undefined;
  readonly "sec-fetch-site"?: string | string[] | undefined;
}): boolean {
  const site = headers["sec-fetch-site"];
  if (site !== undefined && site !== "same-origin" && site !== "none") return false;
  if (headers.origin === undefined) return true;
  // “null” is what a sandboxed page or a file says.
  return URL.canParse(headers.origin) && new URL(headers.origin).host === headers.host;
}
