import { createCookie } from "react-router";
import { object } from "yup";
import { askedFrom } from "../auth/askedFrom";
import { config } from "../config";
import { words } from "../doors/fields";
import { type Opened, openLink } from "./shareLinks";

const MONTH_S = 30 * 86_400;
const options = () => ({
  httpOnly: true,
  sameSite: "lax" as const,
  path: "/",
  maxAge: MONTH_S,
  secure: config().SECURE_COOKIES === "yes",
});
/** What a guest calls themselves, so that they write it once. */
const nameCookie = () => createCookie("stencilcraft-guest", options());
/** What shows that the password of a link was typed. Of one link at a time: another asks for its own. */
const passCookie = () => createCookie("stencilcraft-link", options());

/** What a token opens for whoever asks. */
export async function openedBy(request: Request, token: string): Promise<Opened> {
  const pass: unknown = await passCookie().parse(request.headers.get("cookie"));
  return openLink(token, typeof pass === "string" ? pass : null);
}

/** As `openedBy`, for files: throws a 404 unless it is open. */
export async function requireShared(request: Request, token: string) {
  const opened = await openedBy(request, token);
  if (opened.state !== "open") throw new Response("This link is no good any more.", { status: 404 });
  return opened.shared;
}

/** The header by which a browser keeps that a link was unlocked. */
export const keepPass = (pass: string): Promise<string> => passCookie().serialize(pass);

const named = object({ name: words(60).required() });

/** What a guest called themselves before; "" for a new one. */
export async function guestName(request: Request): Promise<string> {
  const kept: unknown = await nameCookie().parse(request.headers.get("cookie"));
  return named.isValidSync({ name: kept }) ? named.validateSync({ name: kept }).name : "";
}

/** The header by which a browser keeps what a guest calls themselves. */
export const keepName = (name: string): Promise<string> => nameCookie().serialize(name);

/** Whether a page is opened by somebody, rather than asked for anew by the page itself. */
export const isOpening = (request: Request): boolean =>
  (request.headers.get("sec-fetch-dest") ?? "document") === "document";

/** The client that asks. */
export const clientOf = (request: Request): string => askedFrom(request).client;
