import { type ArrangementOf } from "../document/arrangements";
import { type Rect, rect, wholeOf } from "../geometry/rect";
import { safeArea } from "../placement/formats";
import { type Content, type Entry, type Layout, type WordsColumn } from "./layout";
import { stanceOf, steps, toRhythm } from "./shape";

const LEAST_SHADE = 0.5;
const CODE_SIDE = steps(26);

/** Logo, call to action and contacts in the middle, over the picture blurred and shaded; the link as a code beside or below. */
export function laySignOff(
  { code }: ArrangementOf<"sign-off">,
  { shape, ground, entries, pictures, logo }: Content,
): Layout {
  const safe = safeArea(shape);
  const lying = stanceOf(shape) === "lying";
  const links = code ? entries.filter(({ look }) => look === "code").slice(0, 1) : [];
  const words = entries.filter(({ look }) => look !== "code");
  const mark: Entry[] = logo
    ? [{ id: "logo", key: "brand.logo", role: "line", text: "", look: "logo", share: 0.6 }]
    : [];
  const on: WordsColumn["on"] =
    pictures.length > 0
      ? { kind: "picture", picture: 0, backing: "blur", shaded: wholeOf(shape), leastShade: LEAST_SHADE }
      : { kind: "ground", role: ground };
  const besideCode = lying && links.length > 0;
  const width = Math.min(
    safe.width - (besideCode ? CODE_SIDE + steps(8) : 0),
    toRhythm(shape.height * (lying ? 1.2 : 1)),
  );
  const height = Math.min(safe.height, toRhythm(shape.width * (links.length > 0 ? 1.3 : 0.95)));
  const x = safe.x + (safe.width - width - (besideCode ? CODE_SIDE + steps(8) : 0)) / 2;
  const area = rect(x, safe.y + (safe.height - height) / 2, width, height);
  const columns: WordsColumn[] = [
    {
      area,
      entries: [...mark, ...words, ...(besideCode ? [] : links)],
      align: besideCode ? "start" : "centre",
      anchor: "middle",
      gap: steps(3),
      on,
    },
  ];
  if (besideCode)
    columns.push({
      area: codeArea(area),
      entries: links,
      align: "centre",
      anchor: "middle",
      gap: 0,
      on: { kind: "ground", role: "card" },
    });
  return {
    grounds: [{ place: wholeOf(shape), ink: ground }],
    pictures: pictures.length > 0 ? [{ index: 0, place: wholeOf(shape), drift: "none", blurred: true }] : [],
    rules: [],
    columns,
    logo: null,
  };
}

const codeArea = (words: Rect): Rect =>
  rect(words.x + words.width + steps(8), words.y + (words.height - CODE_SIDE) / 2, CODE_SIDE, CODE_SIDE);
