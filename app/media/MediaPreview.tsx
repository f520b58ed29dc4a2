import { type MediaItem } from "../../server/media/mediaList";
import { Bar } from "../components/Bar";
import { Notice } from "../components/Notice";
import { thumbAddress } from "../components/mediaLook";
import { Waveform } from "./Waveform";
import { mediaAddress } from "../components/mediaAddress";

/** An item as it looks and sounds: clips play while pointed at or focused, sounds have their waveform. */
export function MediaPreview({
  item,
  share,
  wait = "waits to be read in",
}: {
  item: MediaItem;
  share: number;
  /** What it waits behind, in words. */
  wait: string | undefined;
}) {
  const address = item.facts && thumbAddress(item.facts, 420);
  if (item.state === "failed")
    return (
      <div className="flex h-full w-full items-center overflow-y-auto bg-wrong-pale p-3">
        <Notice kind="wrong" className="p-0!">
          {item.problem}
        </Notice>
      </div>
    );
  if (item.facts?.kind === "clip")
    return (
      <video
        src={mediaAddress(item.facts, "proxy")}
        poster={address ?? undefined}
        muted
        loop
        playsInline
        preload="none"
        tabIndex={0}
        aria-label={`Clip ${item.name}; plays while focused`}
        className="max-h-full max-w-full"
        onMouseEnter={(event) => void event.currentTarget.play().catch(() => undefined)}
        onMouseLeave={(event) => event.currentTarget.pause()}
        onFocus={(event) => void event.currentTarget.play().catch(() => undefined)}
        onBlur={(event) => event.currentTarget.pause()}
      />
    );
  if (item.facts?.kind === "sound")
    return (
      <div className="w-full px-3 text-card">
        <Waveform src={mediaAddress(item.facts, "sound")} peaks={item.peaks} label={item.name} />
      </div>
    );
  if (address)
    return <img src={address} alt="" loading="lazy" className={`max-h-full max-w-full ${item.isLogo ? "p-4" : ""}`} />;
  return (
    <div className="w-4/5 text-center text-sm text-ink">
      <p className="mb-2 first-letter:capitalize">{item.state === "waiting" ? wait : "Reading it in"}</p>
      <Bar share={share} label={`Reading in ${item.name}`} />
    </div>
  );
}
