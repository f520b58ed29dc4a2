import { type ArrangementOf } from "../document/arrangements";
import { inset, evenInsets, rect, wholeOf, bottom } from "../geometry/rect";
import { safeArea } from "../placement/formats";
import { type Content, type Entry, type Layout } from "./layout";
import { ornamentIn, stanceOf, steps, toRhythm } from "./shape";

const LOGO = { width: steps(30), height: steps(9) } as const;

/** Large words on a plain ground, led by a short thick rule. */
export function layWordsOnly(
  { words, align }: ArrangementOf<"words-only">,
  { shape, ground, entries, logo }: Content,
): Layout {
  const safe = inset(safeArea(shape), evenInsets(steps(1)));
  const lying = stanceOf(shape) === "lying";
  const width = lying && align === "start" ? toRhythm(safe.width * 0.8) : safe.width;
  const taken = logo ? LOGO.height + steps(3) : 0;
  const y = words === "top" ? safe.y : safe.y + taken;
  const height = safe.height - taken * (words === "middle" ? 2 : 1);
  const [first] = entries;
  const lead: Entry[] = first ? [{ id: "lead", key: first.key, role: "line", text: "", look: "rule", share: 0.1 }] : [];
  const box = rect(
    align === "centre" ? safe.x + (safe.width - LOGO.width) / 2 : safe.x,
    words === "top" ? bottom(safe) - LOGO.height : safe.y,
    LOGO.width,
    LOGO.height,
  );
  return {
    grounds: [{ place: wholeOf(shape), ink: ground }],
    pictures: [],
    rules: [],
    ornament: ornamentIn(shape),
    columns: [
      {
        area: rect(safe.x, y, width, height),
        entries: [...lead, ...entries],
        align,
        anchor: words,
        gap: steps(3),
        on: { kind: "ground", role: ground },
      },
    ],
    logo: logo ? { box, on: ground, align } : null,
  };
}
