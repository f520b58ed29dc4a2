import { renderToStaticMarkup } from "react-dom/server";
import { createElement } from "react";
import { embedToken, openLink } from "./shareLinks";
import { type ReviewedFile, newestWhole, reviewedPromotion } from "./reviewed";

const MOST_SIDE = 4000;
const USUAL_WIDTH = 640;

/** A whole number of pixels that was asked for, within reason; null where none was. */
function pixels(text: string | null): number | null {
  const value = Number(text ?? Number.NaN);
  return Number.isInteger(value) && value >= 1 && value <= MOST_SIDE ? value : null;
}

const said = (status: number, words: string): Response => new Response(words, { status });

/**
 * Answers as oEmbed asks (oEmbed specification 1.0): a film in a frame, no larger than asked for; 404 for what is no link
 * or no good any more, 401 for what asks for a password, 501 for other formats than JSON.
 */
export async function oembedOf(asked: URL): Promise<Response> {
  if ((asked.searchParams.get("format") ?? "json") !== "json") return said(501, "Only JSON is given.");
  const about = URL.parse(asked.searchParams.get("url") ?? "");
  const token = about?.origin === asked.origin ? /^\/shared\/([\w-]{20,})$/.exec(about.pathname)?.[1] : undefined;
  if (token === undefined) return said(404, "This is no link to a shared promotion.");
  const opened = await openLink(token, null);
  if (opened.state === "locked") return said(401, "This opens with a password.");
  if (opened.state === "closed") return said(404, "This link is no good any more.");
  const { scope, promotion, team } = opened.shared;
  const [{ name }, render] = await Promise.all([reviewedPromotion(scope, promotion), newestWhole(scope, promotion)]);
  const file = render && lyingFirst(render.files);
  if (!file) return said(404, "Nothing is rendered of it yet.");
  const { maxwidth, maxheight } = Object.fromEntries(asked.searchParams);
  const ratio = file.file.width / file.file.height;
  const tallest = pixels(maxheight ?? null);
  const widest = pixels(maxwidth ?? null) ?? USUAL_WIDTH;
  const width = Math.max(1, Math.floor(tallest === null ? widest : Math.min(widest, tallest * ratio)));
  const height = Math.max(1, Math.floor(width / ratio));
  const frame = createElement("iframe", {
    ...{ src: `${asked.origin}/embed/${embedToken(token)}/${file.format}`, width, height, title: name },
    ...{ sandbox: "", allowFullScreen: true, style: { border: 0 } },
  });
  return Response.json(
    {
      ...{ version: "1.0", type: "video", title: name, author_name: team.name, provider_name: "Stencilcraft" },
      ...{ provider_url: asked.origin, html: renderToStaticMarkup(frame), width, height },
    },
    { headers: { "access-control-allow-origin": "*" } },
  );
}

/** Pages are wide: the widest format stands best in them. */
function lyingFirst(files: readonly ReviewedFile[]): ReviewedFile | undefined {
  return files.toSorted((one, other) => other.file.width / other.file.height - one.file.width / one.file.height)[0];
}
