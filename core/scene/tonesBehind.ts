import { type AnyColor } from "../document/behind";
import { type ClipFacts, type PictureFacts } from "../document/facts";
import { isColorRole } from "../color/palette";
import { parseHex } from "../color/srgb";
import { type PlacedPicture } from "../arrangement/layout";
import { type Rect, inset, intersection, shareIn } from "../geometry/rect";
import { ZOOM_GAIN } from "../motion/slowZoom";
import { SAMPLE_NUMBERS, type ToneSamples, type Tones, momentFrame, tonesIn } from "../picture/tones";
import { type BrandStyle } from "./brandStyle";
import { framedIn } from "./framedMedia";
import { type ShownMedia } from "./sceneLayout";

/** Words over a picture. */
export interface WordsOver {
  readonly style: BrandStyle;
  readonly placed: PlacedPicture;
  readonly shown: ShownMedia;
  /** What is seen beside a picture that leaves its place free, if nothing else was chosen. */
  readonly ground: AnyColor;
  /** Around all words that stand on the picture itself. */
  readonly words: Rect;
}

/**
 * What the words stand on at each moment that matters: both ends of a slow zoom, and every measured moment of a clip.
 * Nothing where it was not measured.
 */
export function momentsBehind(over: WordsOver, blurred: boolean): ToneSamples[] {
  const { placed, shown } = over;
  const { media, framing } = shown;
  // What is behind something that stands free was never measured.
  if (!media?.tones || (media.kind === "picture" && media.cutOut)) return [];
  const stands = framing?.way === "whole" || framing?.way === "over its blur";
  const zooms = media.kind === "picture" && placed.drift !== "none" && !stands ? [1, 1 + ZOOM_GAIN] : [1];
  return media.tones.flatMap((tones, moment) => {
    const frame = media.kind === "clip" ? { frame: momentFrame(moment, media.frames) } : {};
    return zooms.map((zoom) => toneSamples(over, { media, tones, seen: { zoom, ...frame }, blurred }));
  });
}

interface Moment {
  readonly media: PictureFacts | ClipFacts;
  readonly tones: Tones;
  /** How it lies then. */
  readonly seen: { readonly zoom: number; readonly frame?: number };
  readonly blurred: boolean;
}

function toneSamples(over: WordsOver, { media, tones, seen: lies, blurred }: Moment): ToneSamples {
  const { placed, shown, words } = over;
  // A frosted band is the picture blurred as it fills its place, however it is framed over it.
  const framed = framedIn(media, placed.place, blurred ? null : shown.framing, lies);
  const whole = inset(placed.place, framed.bars);
  const seen = intersection(whole, words);
  const inPicture = (area: Rect): ToneSamples => tonesIn(tones, { ...framed, size: media }, area, blurred);
  if (blurred || covers(seen, words)) return inPicture(words);
  const share = shareIn(whole, words);
  return together([
    ...(seen ? [weighed(inPicture(seen), share)] : []),
    weighed(besideSamples(over, { media, tones }), 1 - share),
  ]);
}

const covers = (seen: Rect | null, words: Rect): boolean =>
  seen !== null && seen.width > words.width - 1 && seen.height > words.height - 1;

const weighed = (samples: ToneSamples, weight: number): ToneSamples =>
  samples.map((value, index) => (index % SAMPLE_NUMBERS === SAMPLE_NUMBERS - 1 ? value * weight : value));

function together(parts: readonly ToneSamples[]): ToneSamples {
  const all = new Float64Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

/** What words stand on beside a picture. */
function besideSamples(
  { style, placed, shown, ground, words }: WordsOver,
  { media, tones }: Pick<Moment, "media" | "tones">,
): ToneSamples {
  const { framing, behind: picture } = shown;
  const colored = (color: AnyColor, share: number): number[] => {
    const { r, g, b } = parseHex(isColorRole(color) ? style.palette[color] : color);
    return [r, g, b, share];
  };
  if (framing?.way === "over its blur")
    return tonesIn(tones, { ...framedIn(media, placed.place, null), size: media }, words, true);
  const behind = framing?.behind ?? { kind: "color", color: ground };
  switch (behind.kind) {
    case "color":
      return Float64Array.from(colored(behind.color, 1));
    case "gradient":
      return Float64Array.from([...colored(behind.from, 0.5), ...colored(behind.to, 0.5)]);
    case "picture":
      return together(
        (picture?.tones ?? []).flatMap((own, _, all) =>
          picture
            ? [
                weighed(
                  tonesIn(own, { ...framedIn(picture, placed.place, null), size: picture }, words),
                  1 / all.length,
                ),
              ]
            : [],
        ),
      );
  }
}
