import { type ChangeEvent, useState } from "react";
import { Trash2 } from "lucide-react";
import { useFetcher } from "react-router";
import { FILE_KINDS, FILE_KIND_NAMES, isFileKind } from "../../core/output/fileKinds";
import { LOUDNESS_RANGE } from "../../core/output/output";
import { RATE_NAMES, isRate } from "../../core/output/rates";
import { rect } from "../../core/geometry/rect";
import { NAMED_FORMATS, isFormatName } from "../../core/placement/formats";
import { type Furniture, type Placement } from "../../core/placement/placements";
import { MOST_FURNITURE, MOST_FURNITURE_NAME, MOST_PLACEMENT_TITLE } from "../../core/placement/placementSchema";
import { QUALITIES, isQuality } from "../../core/placement/quality";
import { freeSlug, idOf } from "../../core/text/slug";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { SidePanel } from "../components/SidePanel";
import { useOnceSaved } from "../components/useOnceSaved";
import { PlacementFrame } from "./PlacementFrame";
import { type PlacementsAnswer } from "./placementsAnswer";

const FIRST: Placement = {
  ...{ id: "", title: "", format: "square", furniture: [], longest: null, shortest: null, loudness: -14 },
  ...{ quality: "1080p", kinds: ["mp4"], rates: ["30"], mostBytes: null },
  post: { title: null, body: null, tags: null, link: false },
};
const MB = 1_000_000;

/** All that is known of a placement, to be changed. */
export function PlacementEditor({
  placement,
  taken,
  ships,
  isChanged,
  onClose,
}: {
  /** Null for a new one. */
  placement: Placement | null;
  /** The ids that there are. */
  taken: readonly string[];
  ships: boolean;
  isChanged: boolean;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(placement ?? FIRST);
  const fetcher = useFetcher<PlacementsAnswer>();
  const change = (to: Partial<Placement>): void => setDraft((before) => ({ ...before, ...to }));
  const changePost = (to: Partial<Placement["post"]>): void => change({ post: { ...draft.post, ...to } });
  useOnceSaved(fetcher.state === "idle" && (fetcher.data?.saved ?? null) !== null, onClose);
  const document: Placement = placement
    ? draft
    : { ...draft, id: freeSlug(idOf(draft.title, "placement"), new Set(taken)) };
  const shapes = isNamed(draft.format) ? NAMED_FORMATS : [...NAMED_FORMATS, draft.format];
  return (
    <SidePanel title={placement?.title ?? "New placement"} onClose={onClose} wide>
      <fetcher.Form method="post" className="flex flex-col gap-5" aria-label="Placement">
        <input type="hidden" name="id" value={document.id} />
        <input type="hidden" name="placement" value={JSON.stringify(document)} />
        {fetcher.data?.problem && <Notice kind="wrong">{fetcher.data.problem}</Notice>}
        <div className="grid grid-cols-[minmax(0,1fr)_220px] gap-6 max-sm:grid-cols-1">
          <div className="grid grid-cols-2 content-start gap-4">
            <Field
              label="What it is called"
              className="col-span-2"
              value={draft.title}
              maxLength={MOST_PLACEMENT_TITLE}
              required
              onChange={({ target }) => change({ title: target.value })}
            />
            <Choice
              label="Shape"
              value={draft.format}
              onChange={({ target }) => isFormatName(target.value) && change({ format: target.value })}
              options={shapes.map((format) => [format, format] as const)}
            />
            <Choice
              label="Made in"
              value={draft.quality}
              onChange={({ target }) => isQuality(target.value) && change({ quality: target.value })}
              options={QUALITIES.map((quality) => [quality, quality] as const)}
            />
            <Amount label="Shortest, s" value={draft.shortest} onChange={(shortest) => change({ shortest })} />
            <Amount label="Longest, s" value={draft.longest} onChange={(longest) => change({ longest })} />
            <Amount
              label="Most MB"
              value={draft.mostBytes === null ? null : draft.mostBytes / MB}
              onChange={(most) => change({ mostBytes: most === null ? null : Math.round(most * MB) })}
            />
            <Field
              label="Loudness, LUFS"
              type="number"
              min={LOUDNESS_RANGE.least}
              max={LOUDNESS_RANGE.most}
              step={0.5}
              value={draft.loudness}
              onChange={({ target }) => change({ loudness: target.valueAsNumber })}
            />
          </div>
          <div className="flex items-center justify-center bg-[#c9c5b8] p-3">
            <PlacementFrame placement={draft} height={230} />
          </div>
        </div>
        <Several
          title="Files that are taken; the first is made"
          names={FILE_KIND_NAMES}
          words={(kind) => FILE_KINDS[kind].title}
          chosen={draft.kinds}
          onChange={(kinds) => change({ kinds: kinds.filter(isFileKind) })}
        />
        <Several
          title="Frames a second; the first is made"
          names={RATE_NAMES}
          words={(rate) => rate}
          chosen={draft.rates}
          onChange={(rates) => change({ rates: rates.filter(isRate) })}
        />
        <fieldset>
          <legend className="mb-2 font-semibold">Words of a post, in characters; empty where they are not taken</legend>
          <div className="grid grid-cols-4 gap-4 max-sm:grid-cols-2">
            <Amount label="Title" value={draft.post.title} onChange={(title) => changePost({ title })} />
            <Amount label="Text" value={draft.post.body} onChange={(body) => changePost({ body })} />
            <Amount label="Tags, how many" value={draft.post.tags} onChange={(tags) => changePost({ tags })} />
            <label className="flex items-end gap-2 pb-2 text-sm">
              <input
                type="checkbox"
                checked={draft.post.link}
                onChange={({ target }) => changePost({ link: target.checked })}
                className="accent-accent"
              />
              a link can be followed
            </label>
          </div>
        </fieldset>
        <FurnitureFields furniture={draft.furniture} onChange={(furniture) => change({ furniture })} />
        <div className="flex flex-wrap gap-4">
          <Button look="main" type="submit" name="intent" value="save" disabled={fetcher.state !== "idle"}>
            Keep
          </Button>
          {ships && isChanged && (
            <Button type="submit" name="intent" value="as-it-ships">
              As it came
            </Button>
          )}
          {placement && (
            <Button look="quiet" type="submit" name="intent" value="take-out" className="ml-auto text-wrong">
              Take out
            </Button>
          )}
        </div>
      </fetcher.Form>
    </SidePanel>
  );
}

const isNamed = (format: string): boolean => NAMED_FORMATS.some((name) => name === format);

/** A number that may be left out. */
function Amount({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  const write = ({ target }: ChangeEvent<HTMLInputElement>): void =>
    onChange(target.value === "" ? null : target.valueAsNumber);
  return <Field label={label} type="number" min={0} step="any" value={value ?? ""} onChange={write} />;
}

/** Several of a few. What is ticked first comes first. */
function Several<Name extends string>({
  title,
  names,
  words,
  chosen,
  onChange,
}: {
  title: string;
  names: readonly Name[];
  words: (name: Name) => string;
  chosen: readonly Name[];
  onChange: (chosen: readonly Name[]) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{title}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1 text-sm">
        {names.map((name) => (
          <label key={name} className="flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              checked={chosen.includes(name)}
              onChange={({ target }) =>
                onChange(target.checked ? [...chosen, name] : chosen.filter((one) => one !== name))
              }
              className="h-4 w-4 accent-accent"
            />
            {words(name)}
            {chosen[0] === name && <span className="text-soft">(made)</span>}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** What is drawn over the picture there, each with its place in per cent. */
function FurnitureFields({
  furniture,
  onChange,
}: {
  furniture: readonly Furniture[];
  onChange: (furniture: readonly Furniture[]) => void;
}) {
  const put = (at: number, piece: Furniture): void => onChange(furniture.with(at, piece));
  const sides = [
    ["x", "Left"],
    ["y", "Top"],
    ["width", "Width"],
    ["height", "Height"],
  ] as const;
  return (
    <fieldset>
      <legend className="mb-2 font-semibold">What is drawn over the picture there, in per cent of it</legend>
      <ul className="flex flex-col gap-3">
        {furniture.map((piece, at) => (
          <li
            key={at}
            className="grid grid-cols-[minmax(0,1fr)_repeat(4,74px)_32px] items-end gap-2 max-sm:grid-cols-4"
          >
            <Field
              label="What"
              value={piece.what}
              maxLength={MOST_FURNITURE_NAME}
              required
              className="max-sm:col-span-4"
              onChange={({ target }) => put(at, { ...piece, what: target.value })}
            />
            {sides.map(([side, label]) => (
              <Field
                key={side}
                label={label}
                type="number"
                min={0}
                max={100}
                step="any"
                value={Number((piece.place[side] * 100).toFixed(2))}
                onChange={({ target }) =>
                  put(at, { ...piece, place: { ...piece.place, [side]: (target.valueAsNumber || 0) / 100 } })
                }
              />
            ))}
            <button
              type="button"
              aria-label={`Take out ${piece.what || "this"}`}
              className="pb-2.5 text-soft hover:text-wrong"
              onClick={() => onChange(furniture.filter((_, other) => other !== at))}
            >
              <Trash2 aria-hidden size={17} />
            </button>
          </li>
        ))}
      </ul>
      <Button
        className="mt-3"
        onClick={() => onChange([...furniture, { what: "bar", place: rect(0, 0.9, 1, 0.1) }])}
        disabled={furniture.length >= MOST_FURNITURE}
      >
        Something more
      </Button>
    </fieldset>
  );
}
