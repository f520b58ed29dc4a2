import { createElement as element } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { type Placement, furnitureOf } from "../../core/placement/placements";
import { formatOf } from "../../core/placement/formats";
import { type KeptPost } from "./keptPosts";
import { type SimulatedChannel } from "./channelRules";

const STYLE = `body{margin:0;background:#e8e4d9;color:#20282a;font:16px/1.45 sans-serif;display:flex;justify-content:center}
main{width:min(96vw,460px);background:#fff;margin:24px 0;padding-bottom:16px}main.wide{width:min(96vw,860px)}
header{padding:12px 16px;font-weight:700}.frame{position:relative;background:#000}.frame>*{display:block;width:100%}
.drawn{position:absolute;background:rgba(20,26,28,.55);color:#fff;font-size:12px;display:flex;align-items:center;justify-content:center;pointer-events:none}
p,h1{margin:12px 16px 0}h1{font-size:20px}a{color:#9c3120}`;

/** How a post looks in a simulated channel: the film with what is drawn over it there, and its words. */
export function postPage(post: KeptPost, { title: channel }: SimulatedChannel, placement: Placement): string {
  const { words } = post;
  const { width, height } = formatOf(placement.format);
  const address = `/posts/${post.id}/file`;
  const film =
    placement.kinds[0] === "still"
      ? element("img", { src: address, alt: words.alt })
      : element("video", { src: address, controls: true, loop: true, playsInline: true });
  const percent = (part: number, whole: number): string => `${(100 * part) / whole}%`;
  const drawn = furnitureOf(placement).map(({ what, place }, at) =>
    element(
      "div",
      {
        key: at,
        className: "drawn",
        style: {
          ...{ left: percent(place.x, width), top: percent(place.y, height) },
          ...{ width: percent(place.width, width), height: percent(place.height, height) },
        },
      },
      what,
    ),
  );
  const page = element(
    "html",
    { lang: "en-GB" },
    element(
      "head",
      null,
      element("meta", { charSet: "utf-8" }),
      element("meta", { name: "viewport", content: "width=device-width, initial-scale=1" }),
      element("title", null, `${words.title || words.body.slice(0, 40) || "A post"} · ${channel} (simulated)`),
      element("style", null, STYLE),
    ),
    element(
      "body",
      null,
      element(
        "main",
        { className: width > height ? "wide" : "" },
        element("header", null, `${channel}, simulated: ${placement.title}`),
        element("div", { className: "frame" }, film, ...drawn),
        words.title && element("h1", null, words.title),
        words.body && element("p", null, words.body),
        words.tags.length > 0 && element("p", null, words.tags.map((tag) => `#${tag}`).join(" ")),
        words.link && element("p", null, element("a", { href: words.link, rel: "nofollow" }, words.link)),
      ),
    ),
  );
  return `<!doctype html>${renderToStaticMarkup(page)}`;
}
