import { type ResolvedPromotion, type ResolvedShot } from "../../core/document/resolve";
import { usedOf } from "../../core/document/shots";
import { shotTrack } from "../../core/scene/shotTrack";
import { msOf } from "../../core/time/ticks";
import { thumbAddress } from "../components/mediaLook";
import { Lane } from "./Lane";
import { cutInWords } from "./cutInWords";
import { inRows, stretchStyle } from "./timeShare";
import { mediaAddress } from "../components/mediaAddress";

const ROW = 38;

interface ShownShot {
  readonly key: string;
  readonly from: number;
  readonly to: number;
  readonly scene: number;
  readonly shot: ResolvedShot;
}

/** Every shot as long as it is on screen: a clip as its filmstrip, a picture as itself. */
export function ShotLane({
  promotion: { scenes, spans },
  length,
  onChoose,
}: {
  promotion: Pick<ResolvedPromotion, "scenes" | "spans">;
  length: number;
  onChoose: (scene: number) => void;
}) {
  const shown = spans.flatMap((span): ShownShot[] => {
    const scene = scenes[span.index];
    const until = spans[span.index + 1]?.start ?? span.end;
    return Object.entries(scene?.shots ?? {}).flatMap(([slot, shots]) =>
      shotTrack(shots, span.end - span.start).map(({ from, to, what }) => ({
        key: `${scene?.id ?? ""}.${slot}.${what.id}`,
        from: span.start + msOf(from),
        // What it shares with the next scene lies under that.
        to: Math.min(until, span.start + msOf(to)),
        scene: span.index,
        shot: what,
      })),
    );
  });
  const rows = inRows(shown.filter(({ from, to }) => to > from));
  return (
    <Lane title="Pictures" height={Math.max(1, rows.length) * ROW + 4}>
      {rows.flatMap((row, index) =>
        row.map(({ key, from, to, scene, shot }) => (
          <button
            key={key}
            type="button"
            aria-label={`${shot.media.name} in scene ${scene + 1}${cutInWords(shot)}`}
            title={`${shot.media.name}${cutInWords(shot)}`}
            onClick={() => onChoose(scene)}
            className="absolute h-[34px] overflow-hidden border border-ink/30 bg-proof text-left hover:border-ink"
            style={{ ...stretchStyle(from, to, length), top: index * ROW + 3 }}
          >
            <ShotPicture shot={shot} />
            <span className="absolute bottom-0 left-0 max-w-full truncate bg-card/90 px-1 text-[11px] leading-[15px]">
              {shot.media.name.replace(/\.\w+$/, "")}
              {cutInWords(shot)}
            </span>
          </button>
        )),
      )}
    </Lane>
  );
}

function ShotPicture({ shot: { media, cut } }: { shot: ResolvedShot }) {
  if (media.kind === "picture" || cut.held !== undefined)
    return (
      <span
        aria-hidden
        className="absolute inset-0 bg-size-[auto_100%] bg-repeat-x"
        style={{ backgroundImage: `url(${thumbAddress(media, 100) ?? ""})` }}
      />
    );
  const { from, to } = usedOf(media, cut);
  const share = (to - from) / media.frames;
  return (
    <span aria-hidden className="absolute inset-0 overflow-hidden">
      <img
        src={mediaAddress(media, "strip")}
        alt=""
        draggable={false}
        className="absolute h-full max-w-none"
        style={{
          width: `${100 / share}%`,
          left: `${(-from / media.frames / share) * 100}%`,
          transform: cut.reversed ? "scaleX(-1)" : undefined,
        }}
      />
    </span>
  );
}
