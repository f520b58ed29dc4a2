import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { type ClipFacts } from "../../core/document/facts";
import { type KeptPart, leftOut, putBack } from "../../core/document/shotEdits";
import { type UsedFrames } from "../../core/document/shots";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { NumberField } from "../workshop/NumberField";
import { mediaAddress } from "../components/mediaAddress";

/** An edge of a part of the clip. */
export interface PartEdge {
  readonly part: number;
  readonly edge: keyof UsedFrames;
}

const EDGES = ["from", "to"] as const;
/** What the edges of a part are called, where they are typed and where they are pulled. */
const EDGE_WORDS = {
  from: { field: "From frame", handle: "First frame" },
  to: { field: "Up to frame", handle: "End" },
} as const;

/** A part that is left out at first is this share of the part that it is cut from. */
const FIRST_GAP = 3;

/** Shows parts of a clip: each is dragged at its ends on the filmstrip, stepped by keys, or typed, to the frame. */
export function TrimDialog({
  clip,
  parts,
  onParts,
  onClose,
}: {
  clip: ClipFacts;
  /** In the order of the clip. */
  parts: readonly KeptPart[];
  /** @param moved the edge to look at @param label of a step of its own for undo; else it is one with what was typed before */
  onParts: (parts: readonly KeptPart[], moved: PartEdge, label?: string) => void;
  onClose: () => void;
}) {
  const { frames, rate } = clip;
  const seconds = (count: number): string => ((count * rate.denominator) / rate.numerator).toFixed(2);
  const aSecond = Math.round(rate.numerator / rate.denominator);
  const used = parts.reduce((sum, { from, to }) => sum + to - from, 0);
  const set = (moved: PartEdge, frame: number): void => {
    const part = parts[moved.part];
    if (!part) return;
    const { least, most } = roomOf(parts, moved, frames);
    const bounded = Math.min(most, Math.max(least, Math.round(frame)));
    if (bounded !== part[moved.edge]) onParts(parts.with(moved.part, { ...part, [moved.edge]: bounded }), moved);
  };
  const useAll = (): void => {
    const [first] = parts;
    if (first) onParts([{ id: first.id, from: 0, to: frames }], { part: 0, edge: "from" }, "Use all of it");
  };
  const longest = parts.reduce((best, part, at) => (lengthOf(part) > lengthOf(parts[best]) ? at : best), 0);
  const leaveOut = (): void => {
    const part = parts[longest];
    if (!part) return;
    const gap = Math.max(1, Math.floor(lengthOf(part) / FIRST_GAP));
    const from = part.from + Math.floor((lengthOf(part) - gap) / 2);
    onParts(leftOut(parts, { from, to: from + gap }), { part: longest, edge: "to" }, "Leave out");
  };
  return (
    <DialogFrame
      title={`Trim ${clip.name.replace(/\.\w+$/, "")}`}
      size="max-w-3xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={useAll} disabled={used === frames && parts.length === 1}>
            Use all of it
          </Button>
          <Button onClick={leaveOut} disabled={lengthOf(parts[longest]) < FIRST_GAP}>
            Leave a part out
          </Button>
          <Button look="main" onClick={onClose}>
            Done
          </Button>
        </>
      }
    >
      <div className="flex flex-col gap-5 p-6">
        <Filmstrip clip={clip} parts={parts} aSecond={aSecond} onSet={set} />
        <p className="figures text-[13px]" data-testid="used">
          {used} of {frames} frames · {seconds(used)} s of {seconds(frames)} s
        </p>
        <ol className="flex flex-col divide-y divide-rule border-y border-rule">
          {parts.map((part, at) => (
            <li key={part.id} className="flex flex-wrap items-end gap-5 py-3">
              {parts.length > 1 && <span className="w-14 pb-2 text-[13px] font-semibold">Part {at + 1}</span>}
              {EDGES.map((edge) => (
                <EdgeField key={edge} parts={parts} moved={{ part: at, edge }} frames={frames} onSet={set} />
              ))}
              <span className="pb-2 figures text-[13px] text-soft">{seconds(lengthOf(part))} s</span>
              {at < parts.length - 1 && (
                <button
                  type="button"
                  className="ml-auto pb-2 text-[13px] text-soft underline hover:text-ink"
                  onClick={() => onParts(putBack(parts, at), { part: at, edge: "to" }, "Put back")}
                >
                  Put back what follows it
                </button>
              )}
            </li>
          ))}
        </ol>
      </div>
    </DialogFrame>
  );
}

const lengthOf = (part: UsedFrames | undefined): number => (part ? part.to - part.from : 0);

/** Between which frames an edge can be: a part has one frame at least, and keeps off its neighbours. */
function roomOf(
  parts: readonly KeptPart[],
  { part, edge }: PartEdge,
  frames: number,
): { readonly least: number; readonly most: number } {
  const [before, own, after] = [parts[part - 1], parts[part], parts[part + 1]];
  return edge === "from"
    ? { least: before?.to ?? 0, most: (own?.to ?? 1) - 1 }
    : { least: (own?.from ?? 0) + 1, most: after?.from ?? frames };
}

const named = (name: string, parts: readonly KeptPart[], part: number): string =>
  parts.length > 1 ? `${name} of part ${part + 1}` : name;

function EdgeField({
  parts,
  moved,
  frames,
  onSet,
}: {
  parts: readonly KeptPart[];
  moved: PartEdge;
  frames: number;
  onSet: (moved: PartEdge, frame: number) => void;
}) {
  return (
    <NumberField
      label={named(EDGE_WORDS[moved.edge].field, parts, moved.part)}
      {...roomOf(parts, moved, frames)}
      value={parts[moved.part]?.[moved.edge] ?? 0}
      onChange={(frame) => onSet(moved, frame)}
      className="w-44 text-[13px] text-soft"
    />
  );
}

interface StripProps {
  readonly clip: ClipFacts;
  readonly parts: readonly KeptPart[];
  /** Frames of the clip. */
  readonly aSecond: number;
  readonly onSet: (moved: PartEdge, frame: number) => void;
}

function Filmstrip({ clip, parts, aSecond, onSet }: StripProps) {
  const strip = useRef<HTMLDivElement>(null);
  const share = (frame: number): string => `${(frame / clip.frames) * 100}%`;
  const frameAt = (x: number): number | null => {
    const box = strip.current?.getBoundingClientRect();
    return box ? ((x - box.left) / box.width) * clip.frames : null;
  };
  const gaps = [...parts, null].map((part, at) => ({
    from: parts[at - 1]?.to ?? 0,
    to: part?.from ?? clip.frames,
  }));
  return (
    <div ref={strip} className="relative mx-5 aspect-[12/1] select-none">
      <img
        src={mediaAddress(clip, "strip")}
        alt={`Frames of ${clip.name}, from its start to its end`}
        draggable={false}
        className="h-full w-full bg-proof"
      />
      {gaps.map(({ from, to }) => (
        <div
          key={from}
          aria-hidden
          className="absolute inset-y-0 bg-card/75"
          style={{ left: share(from), width: share(Math.max(0, to - from)) }}
        />
      ))}
      {parts.flatMap((part, at) =>
        EDGES.map((edge) => (
          <Edge
            key={`${part.id} ${edge}`}
            label={named(EDGE_WORDS[edge].handle, parts, at)}
            moved={{ part: at, edge }}
            frame={part[edge]}
            clip={clip}
            aSecond={aSecond}
            frameAt={frameAt}
            onSet={onSet}
          />
        )),
      )}
    </div>
  );
}

function Edge({
  label,
  moved,
  frame,
  clip,
  aSecond,
  frameAt,
  onSet,
}: Omit<StripProps, "parts"> & {
  readonly label: string;
  readonly moved: PartEdge;
  readonly frame: number;
  /** The frame that stands at a place of the window. */
  readonly frameAt: (x: number) => number | null;
}) {
  const isStart = moved.edge === "from";
  const pull = (event: PointerEvent): void => {
    const to = event.buttons === 1 ? frameAt(event.clientX) : null;
    if (to !== null) onSet(moved, to);
  };
  const take = (event: PointerEvent<HTMLDivElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const step = (event: KeyboardEvent): void => {
    const by = event.shiftKey ? aSecond : 1;
    const to = { ArrowLeft: frame - by, ArrowRight: frame + by, Home: 0, End: clip.frames }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    onSet(moved, to);
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={clip.frames}
      aria-valuenow={frame}
      aria-valuetext={`frame ${frame}`}
      onPointerDown={take}
      onPointerMove={pull}
      onKeyDown={step}
      className={`absolute -inset-y-2 flex w-5 cursor-ew-resize touch-none justify-center ${isStart ? "-ml-5" : ""}`}
      style={{ left: `${(frame / clip.frames) * 100}%` }}
    >
      <span className={`h-full w-2.5 bg-accent ${isStart ? "ml-auto" : "mr-auto"}`} />
    </div>
  );
}
