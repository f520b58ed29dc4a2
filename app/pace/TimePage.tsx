import { type ReactNode, useState } from "react";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { useSize } from "../components/useSize";

const ZOOMS = ["whole", "scene", "frame"] as const;
type Zoom = (typeof ZOOMS)[number];
const WORDS: Readonly<Record<Zoom, string>> = { whole: "Whole", scene: "Scene", frame: "Frames" };

const MARGIN = 84;
/** Beside a scene something of its neighbours is seen. */
const SCENE_SHARE = 0.8;
/** Pixels a frame is wide at least when frames are looked at. */
const PER_FRAME = 9;
const FRAME_MS = 1000 / 30;

/** The page on which time runs from left to right, as wide as is asked. */
export function TimePage({
  length,
  scene,
  about,
  children,
}: {
  /** Milliseconds. */
  length: number;
  /** How long the scene is that is looked at. */
  scene: number;
  about: ReactNode;
  /** @param width of all time, in pixels */
  children: (width: number) => ReactNode;
}) {
  const [zoom, setZoom] = useState<Zoom>("whole");
  const { ref, width } = useSize();
  const room = Math.max(0, width - MARGIN);
  const wide = {
    whole: room,
    scene: Math.max(room, (room * SCENE_SHARE * length) / Math.max(1, scene)),
    frame: Math.max(room, (length / FRAME_MS) * PER_FRAME),
  }[zoom];
  return (
    <section aria-label="Time" className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex items-center gap-4 border-b border-rule py-2 pr-4 pl-5">
        <ChoiceSwitch label="Shown" choices={ZOOMS} words={WORDS} value={zoom} onChoose={setZoom} />
        {about}
      </div>
      {/* On an opaque ground the browser moves what was drawn already, instead of drawing all anew. */}
      <div ref={ref} className="min-h-0 flex-1 overflow-auto bg-paper" tabIndex={-1}>
        <div className="relative" style={{ width: wide + MARGIN }} data-testid="time-page">
          {children(wide)}
        </div>
      </div>
    </section>
  );
}
