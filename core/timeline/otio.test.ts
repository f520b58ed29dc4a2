import { resolvePromotion } from "../document/resolve";
import { ONE_OFFER } from "../templates/priceDrops";
import { promotionOf, testFacts } from "../testing/promotions";
import { RATES } from "../output/rates";
import { frameCount } from "../time/frames";
import { otioTimeline } from "./otio";

/** What is read of a timeline, as OpenTimelineIO's own documentation of its schemas names it. */
interface Read {
  readonly OTIO_SCHEMA: string;
  readonly name?: string;
  readonly kind?: string;
  readonly children?: readonly Read[];
  readonly tracks?: Read;
  readonly source_range?: {
    readonly start_time: { readonly value: number };
    readonly duration: { readonly value: number; readonly rate: number };
  } | null;
  readonly in_offset?: { readonly value: number };
  readonly out_offset?: { readonly value: number };
  readonly media_reference?: { readonly OTIO_SCHEMA: string; readonly target_url?: string };
  readonly markers?: readonly { readonly name: string }[];
}

const promotion = resolvePromotion(promotionOf(ONE_OFFER), testFacts());
const timeline = (rate: keyof typeof RATES): Read =>
  JSON.parse(JSON.stringify(otioTimeline("Pots", promotion, { rate: RATES[rate], files: {} }))) as Read;
const lengthOf = ({ children = [] }: Read): number =>
  children
    .filter(({ OTIO_SCHEMA }) => OTIO_SCHEMA !== "Transition.1")
    .reduce((sum, { source_range }) => sum + (source_range?.duration.value ?? 0), 0);

test.each(["30", "25", "23.976"] as const)("at %s every track is as long as the promotion, to the frame", (rate) => {
  const tracks = timeline(rate).tracks?.children ?? [];
  expect(tracks.length).toBeGreaterThan(1);
  const whole = frameCount(promotion.length, RATES[rate]);
  expect(tracks.map((track) => lengthOf(track))).toEqual(tracks.map(() => whole));
});

test("scenes are clips with their words as markers, joined where they overlap", () => {
  const [scenes] = timeline("30").tracks?.children ?? [];
  const clips = (scenes?.children ?? []).filter(({ OTIO_SCHEMA }) => OTIO_SCHEMA === "Clip.1");
  expect(clips).toHaveLength(promotion.scenes.length);
  expect(clips.flatMap(({ markers = [] }) => markers.map(({ name }) => name)).length).toBeGreaterThan(0);
  const joins = (scenes?.children ?? []).filter(({ OTIO_SCHEMA }) => OTIO_SCHEMA === "Transition.1");
  const overlaps = promotion.spans.filter(({ start, entered }, index) => index > 0 && entered > start);
  expect(joins).toHaveLength(overlaps.length);
  for (const [index, join] of joins.entries()) {
    const { start = 0, entered = 0 } = overlaps[index] ?? {};
    const frames = (join.in_offset?.value ?? 0) + (join.out_offset?.value ?? 0);
    expect(frames).toBe(frameCount(entered, RATES["30"]) - frameCount(start, RATES["30"]));
  }
});

test("what ships of pictures, clips and sounds names its file", () => {
  const tracks = timeline("30").tracks?.children ?? [];
  const named = tracks
    .slice(1)
    .flatMap(({ children = [] }) => children)
    .filter(({ OTIO_SCHEMA }) => OTIO_SCHEMA === "Clip.1");
  for (const { media_reference } of named) {
    expect(media_reference?.OTIO_SCHEMA).toBe("ExternalReference.1");
    expect(media_reference?.target_url).toMatch(/^media\/.+/);
  }
});
