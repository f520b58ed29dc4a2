import { clsx } from "clsx";
import { Fragment, useMemo } from "react";
import { heardMedia } from "../../core/document/heardMedia";
import { type GainPoint, LANES, type Lane as LaneName, SHORTEST_PIECE_MS, heardFor } from "../../core/document/lanes";
import { type ListedPiece, piecesOn } from "../../core/document/soundEdits";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type TimeSpan } from "../../core/pace/timeEdits";
import { type MixedPiece, levelAt } from "../../core/sound/mixedPiece";
import { msOf, ticks, ticksOf } from "../../core/time/ticks";
import { type Span } from "../../core/time/tracks";
import { type MediaFacts } from "../../core/document/facts";
import { pieceShape } from "../../core/sound/pieceShape";
import { Lane } from "./Lane";
import { LevelPoints } from "./LevelPoints";
import { TimeBar } from "./TimeBar";
import { inRows, stretchStyle } from "./timeShare";

const ROW = 38;
const BAR = 34;
const TITLES: Readonly<Record<LaneName, string>> = { music: "Music", voice: "Voice", effects: "Effects" };

interface SoundLanesProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  readonly snaps: readonly number[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  readonly onTime: (id: string, was: TimeSpan, wanted: TimeSpan) => void;
  readonly onPoints: (id: string, points: readonly GainPoint[] | null) => void;
}

/** The pieces of sound of a promotion, lane by lane: each as its waveform, with the line of how loud it is over it. */
export function SoundLanes(props: SoundLanesProps) {
  return (
    <>
      <ClipsLane promotion={props.promotion} />
      {LANES.map((lane) => (
        <PiecesLane key={lane} {...props} lane={lane} />
      ))}
    </>
  );
}

/** What is heard of the clips, where their pictures are: it goes with them. */
function ClipsLane({ promotion }: Pick<SoundLanesProps, "promotion">) {
  const { mix, facts, length } = promotion;
  const clips = useMemo(
    () =>
      mix.track
        .filter(({ what }) => what.piece === undefined)
        .map((span) => ({ span, from: msOf(span.from), to: Math.min(length, msOf(span.to)) })),
    [mix, length],
  );
  if (clips.length === 0) return null;
  const rows = inRows(clips);
  return (
    <Lane title="Clips" height={rows.length * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map(({ span, from, to }, at) => {
          const name = facts.media[span.what.sound]?.name.replace(/\.\w+$/, "") ?? "";
          return (
            <div
              key={`${span.what.sound} ${from} ${at}`}
              role="img"
              aria-label={`Sound of ${name}, ${(from / 1000).toFixed(2)} s to ${(to / 1000).toFixed(2)} s`}
              className="absolute h-[34px] overflow-hidden border border-dashed border-rule bg-card/60"
              style={{ ...stretchStyle(from, to, length), top: index * ROW + 3 }}
            >
              <SpanShape span={span} media={facts.media[span.what.sound]} />
              <span className="absolute top-0 left-1 max-w-full truncate bg-card/80 px-0.5 text-[11px] leading-[15px]">
                {name}
              </span>
            </div>
          );
        }),
      )}
    </Lane>
  );
}

interface TimedPiece extends TimeSpan {
  readonly piece: ListedPiece;
  readonly name: string;
}

function PiecesLane({
  document,
  promotion,
  snaps,
  chosen,
  onChoose,
  onTime,
  onPoints,
  lane,
}: SoundLanesProps & { lane: LaneName }) {
  const { facts, length } = promotion;
  const pieces = useMemo(
    () =>
      piecesOn(document.lanes, lane).flatMap((piece): TimedPiece[] => {
        const sound = heardMedia(facts.media[piece.media]);
        if (!sound) return [];
        const { at = 0 } = piece;
        const name = piece.says ?? sound.name.replace(/\.\w+$/, "");
        return [{ piece, name, from: at, to: at + Math.max(SHORTEST_PIECE_MS, heardFor(piece, sound, length)) }];
      }),
    [document.lanes, lane, facts.media, length],
  );
  if (pieces.length === 0) return null;
  const rows = inRows(pieces);
  return (
    <Lane title={TITLES[lane]} height={rows.length * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map((timed) => (
          <Fragment key={timed.piece.id}>
            <TimeBar
              time={timed}
              length={length}
              snaps={snaps}
              top={index * ROW + 3}
              label={`${TITLES[lane]}: ${timed.name}${timed.piece.muted ? ", muted" : ""}`}
              pressed={timed.piece.id === chosen}
              className={clsx(
                "h-[34px] overflow-hidden border",
                timed.piece.id === chosen
                  ? "border-accent bg-white outline-1 outline-accent"
                  : "border-rule bg-card hover:border-ink",
                timed.piece.muted && "opacity-45",
              )}
              onChoose={() => onChoose(timed.piece.id)}
              onTime={(wanted) => onTime(timed.piece.id, timed, wanted)}
            >
              <PieceShape promotion={promotion} timed={timed} />
              <span className="absolute top-0 left-1 max-w-full truncate bg-card/80 px-0.5 text-[11px] leading-[15px]">
                {timed.name}
              </span>
            </TimeBar>
            {timed.piece.id === chosen && timed.piece.points && (
              <LevelPoints
                name={timed.name}
                points={timed.piece.points}
                from={timed.from}
                lasts={timed.to - timed.from}
                length={length}
                heights={heightsOf(promotion, timed.piece).map((height) => index * ROW + 3 + height)}
                onPoints={(points) => onPoints(timed.piece.id, points)}
              />
            )}
          </Fragment>
        )),
      )}
    </Lane>
  );
}

/** How high the line of a piece's level is at its points, in pixels from the top of its bar. */
function heightsOf({ mix }: ResolvedPromotion, { id, points = [] }: ListedPiece): number[] {
  const span = mix.track.find(({ what }) => what.piece === id);
  if (!span) return points.map(() => 0);
  const loudest = Math.max(...span.what.levels.map(({ level }) => level));
  return points.map(({ at }) => {
    const level = levelAt(span, ticks(span.from + ticksOf(at)));
    return (BAR * lineHeight(loudest > 0 ? level / loudest : 0)) / 100;
  });
}

/** Where the line of a level lies in a bar, in hundredths from its top. @param level against the loudest, 0 to 1 */
const lineHeight = (level: number): number => 96 - level * 88;

function PieceShape({ promotion: { mix, facts }, timed }: { promotion: ResolvedPromotion; timed: TimedPiece }) {
  const { piece } = timed;
  const span = mix.track.find(({ what }) => what.piece === piece.id);
  // Its span may go on when the sound has ended; its bar does not.
  const shown = useMemo(() => span && { ...span, to: ticksOf(timed.to) }, [span, timed.to]);
  return shown && <SpanShape span={shown} media={facts.media[piece.media]} />;
}

/** The waveform of what is heard, and the line of how loud it is made over that. */
function SpanShape({ span, media }: { span: Span<MixedPiece>; media: MediaFacts | undefined }) {
  const shape = useMemo(() => pieceShape(span, media), [span, media]);
  if (!shape) return null;
  const { levels, line } = shape;
  const last = Math.max(1, levels.length - 1);
  const upper = levels.map((level, at) => `${at},${50 - level * 46}`);
  const lower = levels.map((level, at) => `${at},${50 + level * 46}`).reverse();
  return (
    <svg aria-hidden viewBox={`0 0 ${last} 100`} preserveAspectRatio="none" className="absolute inset-0 h-full w-full">
      <polygon points={[...upper, ...lower].join(" ")} className="fill-ready/45" />
      <polyline
        points={line.map(({ share, level }) => `${share * last},${lineHeight(level)}`).join(" ")}
        vectorEffect="non-scaling-stroke"
        className="fill-none stroke-accent stroke-[1.5]"
      />
    </svg>
  );
}
