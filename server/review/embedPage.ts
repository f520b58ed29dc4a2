import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";

/** Runs nothing and belongs to no site: it can reach neither the app nor the page that it is in. */
const POLICY = "default-src 'none'; media-src 'self'; style-src 'unsafe-inline'; sandbox; frame-ancestors *";
const STYLE =
  "html,body{margin:0;height:100%;background:#000;color:#fff;font:16px sans-serif}video{width:100%;height:100%}p{padding:1rem}";

/** The page that other sites show in a frame: a film, or that there is none (any more). */
export function embedPage(shown: { readonly name: string; readonly address: string } | null): Response {
  const page = createElement(
    "html",
    { lang: "en-GB" },
    createElement(
      "head",
      null,
      createElement("meta", { charSet: "utf-8" }),
      createElement("meta", { name: "robots", content: "noindex" }),
      createElement("title", null, shown?.name ?? "Not shown any more"),
      createElement("style", null, STYLE),
    ),
    createElement(
      "body",
      null,
      shown
        ? createElement("video", { src: shown.address, controls: true, playsInline: true, preload: "metadata" })
        : createElement("p", null, "This is not shown any more."),
    ),
  );
  return new Response(`<!doctype html>${renderToStaticMarkup(page)}`, {
    status: shown ? 200 : 404,
    headers: { "content-type": "text/html; charset=utf-8", "content-security-policy": POLICY },
  });
}
