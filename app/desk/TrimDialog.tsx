import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { type ClipFacts } from "../../core/document/facts";
import { type UsedFrames, usedOf } from "../../core/document/shots";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { NumberField } from "../workshop/NumberField";

/** Uses a part of a clip: in and out are dragged on its filmstrip, stepped by keys, or typed, to the frame. */
export function TrimDialog({
  clip,
  used,
  onTrim,
  onClose,
}: {
  clip: ClipFacts;
  used: UsedFrames;
  /** @param edge which of the two was moved */
  onTrim: (used: UsedFrames, edge: keyof UsedFrames) => void;
  onClose: () => void;
}) {
  const { frames, rate } = clip;
  const seconds = (count: number): string => ((count * rate.denominator) / rate.numerator).toFixed(2);
  const aSecond = Math.round(rate.numerator / rate.denominator);
  const set = (edge: keyof UsedFrames, frame: number): void => {
    const bounded =
      edge === "from" ? Math.min(Math.max(0, frame), used.to - 1) : Math.max(Math.min(frames, frame), used.from + 1);
    if (bounded !== used[edge]) onTrim(usedOf(clip, { ...used, [edge]: bounded }), edge);
  };
  const useAll = (): void => onTrim({ from: 0, to: frames }, "from");
  return (
    <DialogFrame
      title={`Trim ${clip.name.replace(/\.\w+$/, "")}`}
      size="max-w-3xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={useAll} disabled={used.from === 0 && used.to === frames}>
            Use all of it
          </Button>
          <Button look="main" onClick={onClose}>
            Done
          </Button>
        </>
      }
    >
      <div className="flex flex-col gap-5 p-6">
        <Filmstrip clip={clip} used={used} aSecond={aSecond} onSet={set} />
        <div className="flex items-end gap-5">
          <NumberField
            label="From frame"
            least={0}
            most={used.to - 1}
            value={used.from}
            onChange={(frame) => set("from", frame)}
            className="w-32 text-[13px] text-soft"
          />
          <NumberField
            label="Up to frame"
            least={used.from + 1}
            most={frames}
            value={used.to}
            onChange={(frame) => set("to", frame)}
            className="w-32 text-[13px] text-soft"
          />
          <p className="pb-1.5 figures text-[13px]" data-testid="used">
            {used.to - used.from} of {frames} frames · {seconds(used.to - used.from)} s of {seconds(frames)} s
          </p>
        </div>
      </div>
    </DialogFrame>
  );
}

function Filmstrip({
  clip,
  used,
  aSecond,
  onSet,
}: {
  clip: ClipFacts;
  used: UsedFrames;
  /** Frames of the clip. */
  aSecond: number;
  onSet: (edge: keyof UsedFrames, frame: number) => void;
}) {
  const strip = useRef<HTMLDivElement>(null);
  const share = (frame: number): string => `${(frame / clip.frames) * 100}%`;
  const edge = (name: keyof UsedFrames, label: string) => {
    const pull = (event: PointerEvent): void => {
      const box = strip.current?.getBoundingClientRect();
      if (event.buttons === 1 && box) onSet(name, Math.round(((event.clientX - box.left) / box.width) * clip.frames));
    };
    const take = (event: PointerEvent<HTMLDivElement>): void => {
      event.currentTarget.setPointerCapture(event.pointerId);
    };
    const step = (event: KeyboardEvent): void => {
      const by = event.shiftKey ? aSecond : 1;
      const to = { ArrowLeft: used[name] - by, ArrowRight: used[name] + by, Home: 0, End: clip.frames }[event.key];
      if (to === undefined) return;
      event.preventDefault();
      onSet(name, to);
    };
    return (
      <div
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={clip.frames}
        aria-valuenow={used[name]}
        aria-valuetext={`frame ${used[name]}`}
        onPointerDown={take}
        onPointerMove={pull}
        onKeyDown={step}
        className={`absolute -inset-y-2 flex w-5 cursor-ew-resize touch-none justify-center ${name === "from" ? "-ml-5" : ""}`}
        style={{ left: share(used[name]) }}
      >
        <span className={`h-full w-2.5 bg-accent ${name === "from" ? "ml-auto" : "mr-auto"}`} />
      </div>
    );
  };
  return (
    <div ref={strip} className="relative mx-5 aspect-[12/1] select-none">
      <img
        src={`/media/${clip.id}/strip`}
        alt={`Frames of ${clip.name}, from its start to its end`}
        draggable={false}
        className="h-full w-full bg-proof"
      />
      <div aria-hidden className="absolute inset-y-0 left-0 bg-card/75" style={{ width: share(used.from) }} />
      <div aria-hidden className="absolute inset-y-0 right-0 bg-card/75" style={{ left: share(used.to) }} />
      {edge("from", "First frame")}
      {edge("to", "End")}
    </div>
  );
}
