import { type ResolvedPromotion, type ResolvedScene, type ResolvedShot } from "../document/resolve";
import { type ClipFacts } from "../document/facts";
import { meanSpeed, usedOf } from "../document/shots";
import { shotTrack } from "../scene/shotTrack";
import { type MixedPiece } from "../sound/mixedPiece";
import { SAMPLE_RATE } from "../sound/samples";
import { type FrameRate, frameCount } from "../time/frames";
import { msOf } from "../time/ticks";
import { type Span } from "../time/tracks";

/** JSON as OpenTimelineIO writes it: what each object is stands in `OTIO_SCHEMA`. */
type Json = string | number | boolean | null | readonly Json[] | { readonly [name: string]: Json };
type Schema = { readonly [name: string]: Json };

/** A piece on a track: when it is there, in milliseconds, and what it is. */
interface Placed {
  readonly from: number;
  readonly to: number;
  readonly clip: (frames: number) => Schema;
}

/**
 * A promotion as a timeline for video editors, in OpenTimelineIO's JSON (schemas Timeline.1, Stack.1, Track.1, Clip.1, Gap.1,
 * Transition.1, Marker.2): a track of scenes with their joins and their words as markers, one for each slot of pictures and
 * clips, and one for each piece of sound. All times are frames of the rate; a track is as long as the promotion.
 *
 * @param files what the files of media are called, by id
 */
export function otioTimeline(
  name: string,
  promotion: ResolvedPromotion,
  { rate, files }: { readonly rate: FrameRate; readonly files: Readonly<Record<string, string>> },
): Schema {
  const fps = rate.numerator / rate.denominator;
  const at = (ms: number): number => frameCount(ms, rate);
  const time = (frames: number): Schema => ({ OTIO_SCHEMA: "RationalTime.1", value: frames, rate: fps });
  const range = (start: number, frames: number): Schema => ({
    ...{ OTIO_SCHEMA: "TimeRange.1", start_time: time(start), duration: time(frames) },
  });
  const gap = (frames: number): Schema => ({
    ...{ OTIO_SCHEMA: "Gap.1", name: "", metadata: {}, effects: [], markers: [], enabled: true },
    source_range: range(0, frames),
  });
  const track = (title: string, kind: "Video" | "Audio", children: readonly Schema[]): Schema => ({
    ...{ OTIO_SCHEMA: "Track.1", name: title, kind, children, source_range: null, enabled: true },
    ...{ effects: [], markers: [], metadata: {} },
  });
  const clip = (title: string, source: Schema, more: Schema = {}): Schema => ({
    ...{ OTIO_SCHEMA: "Clip.1", name: title, source_range: source, enabled: true },
    ...{ effects: [], markers: [], metadata: {}, media_reference: { OTIO_SCHEMA: "MissingReference.1", metadata: {} } },
    ...more,
  });
  const reference = (media: string, available: number | null): Schema => ({
    ...{ OTIO_SCHEMA: "ExternalReference.1", target_url: `media/${files[media] ?? media}`, metadata: { media } },
    available_range: available === null ? null : range(0, available),
  });

  /** Pieces in their time, with gaps between and after them; pieces that would overlap begin where the one before ends. */
  const inTime = (pieces: readonly Placed[]): Schema[] => {
    const children: Schema[] = [];
    let now = 0;
    for (const { from, to, clip: make } of pieces.toSorted((one, other) => one.from - other.from)) {
      const [start, end] = [Math.max(now, at(from)), Math.max(now, at(to))];
      if (end <= start) continue;
      if (start > now) children.push(gap(start - now));
      children.push(make(end - start));
      now = end;
    }
    const whole = at(promotion.length);
    if (now < whole) children.push(gap(whole - now));
    return children;
  };

  const scenes = promotion.scenes.flatMap((scene, index): Schema[] => {
    const span = promotion.spans[index];
    if (!span) return [];
    const after = promotion.spans[index + 1];
    // A join lies over the cut in its middle: half of it is taken from either side.
    const middle = (start: number, end: number): number => at((start + end) / 2);
    const from = middle(span.start, span.entered);
    const to = after ? middle(after.start, after.entered) : at(span.end);
    const join = at(span.entered) - at(span.start);
    const before = from - at(span.start);
    const markers = Object.entries(scene.words)
      .filter(([, words]) => words !== "")
      .map(([slot, words]): Schema => ({
        ...{ OTIO_SCHEMA: "Marker.2", name: words, color: "RED", comment: slot, metadata: {} },
        marked_range: range(before, to - from),
      }));
    const transition: Schema = {
      ...{ OTIO_SCHEMA: "Transition.1", name: "", transition_type: "SMPTE_Dissolve", metadata: {} },
      ...{ in_offset: time(before), out_offset: time(join - before) },
    };
    return [
      ...(index > 0 && join > 0 ? [transition] : []),
      clip(scene.template.name, range(before, to - from), { markers }),
    ];
  });

  const slots = [...new Set(promotion.scenes.flatMap(({ shots }) => Object.keys(shots)))];
  const pictures = slots.map((slot) => track(slot, "Video", inTime(shotsOf(promotion, slot, shotClip))));
  function shotClip(shot: ResolvedShot, frames: number): Schema {
    const { media, cut } = shot;
    if (media.kind === "picture")
      return clip(media.name, range(0, frames), { media_reference: reference(media.id, null) });
    const { from } = usedOf(media, cut);
    const speed = cut.held !== undefined ? 0 : meanSpeed(cut) * (cut.reversed ? -1 : 1);
    const warp: Schema = {
      ...{ OTIO_SCHEMA: "LinearTimeWarp.1", name: "", effect_name: "LinearTimeWarp", time_scalar: speed, metadata: {} },
    };
    return clip(media.name, range(inFrames(media, cut.held ?? from), frames), {
      media_reference: reference(media.id, inFrames(media, media.frames)),
      effects: speed === 1 ? [] : [warp],
    });
  }
  /** Frames of a clip as frames of the timeline. */
  const inFrames = (media: ClipFacts, frames: number): number =>
    Math.round((frames * media.rate.denominator * fps) / media.rate.numerator);

  const sounds = promotion.mix.track.map((span, index) =>
    track(`sound ${index + 1}`, "Audio", inTime([soundPiece(span, promotion)])),
  );
  function soundPiece({ from, to, what }: Span<MixedPiece>, { facts }: ResolvedPromotion): Placed {
    const media = facts.media[what.sound];
    const start = Math.max(0, Math.round((what.position / SAMPLE_RATE) * fps));
    const make = (frames: number): Schema =>
      clip(media?.name ?? "sound", range(start, frames), { media_reference: reference(what.sound, null) });
    return { from: msOf(from), to: msOf(to), clip: make };
  }

  return {
    ...{ OTIO_SCHEMA: "Timeline.1", name, metadata: {}, global_start_time: time(0) },
    tracks: {
      ...{
        OTIO_SCHEMA: "Stack.1",
        name: "tracks",
        source_range: null,
        enabled: true,
        effects: [],
        markers: [],
        metadata: {},
      },
      children: [track("scenes", "Video", scenes), ...pictures, ...sounds],
    },
  };
}

/** What a slot shows over the whole promotion; where two scenes overlap, the coming one has it from the middle of the join. */
function shotsOf(
  { scenes, spans }: Pick<ResolvedPromotion, "scenes" | "spans">,
  slot: string,
  clip: (shot: ResolvedShot, frames: number) => Schema,
): Placed[] {
  return scenes.flatMap((scene: ResolvedScene, index) => {
    const [span, after] = [spans[index], spans[index + 1]];
    const shots = scene.shots[slot] ?? [];
    if (!span || shots.length === 0) return [];
    const begins = (span.start + span.entered) / 2;
    const ends = after ? (after.start + after.entered) / 2 : span.end;
    return shotTrack(shots, span.end - span.start).map(({ from, to, what }) => ({
      from: Math.max(begins, span.start + msOf(from)),
      to: Math.min(ends, span.start + msOf(to)),
      clip: (frames: number) => clip(what, frames),
    }));
  });
}
