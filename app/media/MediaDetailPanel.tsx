import { clsx } from "clsx";
import { Link, useFetcher } from "react-router";
import { useRef, useState } from "react";
import { X } from "lucide-react";
import { Problem } from "../components/Problem";
import { type FocalPoint } from "../../core/geometry/framing";
import { type mediaDetail } from "../../server/media/mediaDetail";
import { type Collection } from "../../server/media/collections";
import { Button } from "../components/Button";
import { FilePicker } from "../components/FilePicker";
import { Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { RightsMark } from "../components/RightsMark";
import { factLine, megabytes, seconds, thumbAddress } from "../components/mediaLook";
import { FindSubject } from "./FindSubject";
import { FocalPicker } from "./FocalPicker";
import { type MediaAnswer } from "./answer";
import { Waveform } from "./Waveform";
import { mediaAddress } from "../components/mediaAddress";

type Detail = Awaited<ReturnType<typeof mediaDetail>>;

/** Everything known of one item, beside the others: preview, facts, tags, rights, where it is used. */
export function MediaDetailPanel({
  item,
  collections,
  onOpen,
  onClose,
  onReplace,
  onRemove,
}: {
  item: Detail;
  collections: readonly Collection[];
  onOpen: (id: string) => void;
  onClose: () => void;
  onReplace: (file: File) => void;
  onRemove: () => void;
}) {
  return (
    <aside
      aria-label={`Details of ${item.name}`}
      className="sticky top-0 flex max-h-screen w-[372px] shrink-0 flex-col gap-5 overflow-y-auto bg-card p-5"
    >
      <div className="flex items-start gap-2">
        <Rename item={item} />
        <button type="button" onClick={onClose} aria-label="Close details" className="p-1 text-soft hover:text-ink">
          <X aria-hidden size={18} />
        </button>
      </div>
      <Preview item={item} />
      <RightsMark state={item.rights} className="self-start" />
      {item.problem && item.state === "ready" && <Notice kind="wrong">{item.problem}</Notice>}
      <Facts item={item} />
      <Uses item={item} />
      {item.alike.length > 0 && (
        <p className="bg-warn-pale px-3 py-2 text-sm text-warn">
          Looks like{" "}
          {item.alike.map(({ id, name }, index) => (
            <span key={id}>
              {index > 0 && ", "}
              <button type="button" onClick={() => onOpen(id)} className="underline">
                {name}
              </button>
            </span>
          ))}
          .
        </p>
      )}
      <Tags item={item} />
      <InCollections item={item} collections={collections} />
      <Rights item={item} />
      <Actions item={item} onReplace={onReplace} onRemove={onRemove} />
    </aside>
  );
}

function Rename({ item }: { item: Detail }) {
  const fetcher = useFetcher<MediaAnswer>();
  const problem = fetcher.data?.problem;
  return (
    <div className="min-w-0 flex-1">
      <input
        key={item.name}
        defaultValue={item.name}
        aria-label="Name of the item"
        maxLength={120}
        className={clsx(
          "w-full truncate border-b border-transparent bg-transparent font-heading",
          "text-lg font-semibold hover:border-rule focus:border-ink",
        )}
        onBlur={({ currentTarget: { value } }) =>
          value !== item.name &&
          void fetcher.submit({ intent: "rename", ids: item.id, name: value }, { method: "post" })
        }
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
      <Problem text={problem} />
    </div>
  );
}

function Preview({ item }: { item: Detail }) {
  const fetcher = useFetcher<MediaAnswer>();
  const [moved, setMoved] = useState<FocalPoint | null>(null);
  const facts = item.facts;
  if (!facts) return null;
  if (facts.kind === "sound")
    return (
      <div className="bg-proof p-3 text-card">
        <Waveform src={mediaAddress(facts, "sound")} peaks={item.peaks} label={item.name} height={90} />
      </div>
    );
  const follows = facts.kind === "clip" && facts.subject !== undefined;
  return (
    <div className="bg-proof p-2">
      <FocalPicker
        src={thumbAddress(facts, 700) ?? ""}
        name={item.name}
        focal={moved ?? facts.focal}
        onMove={setMoved}
        onRest={(at) =>
          void fetcher.submit({ intent: "focal", ids: item.id, focal: JSON.stringify(at) }, { method: "post" })
        }
      />
      {facts.kind === "clip" && (
        <video
          controls
          muted
          preload="none"
          poster={thumbAddress(facts, 400) ?? undefined}
          src={mediaAddress(facts, "proxy")}
          className="mt-2 max-h-40 w-full"
          aria-label={`Play ${item.name}`}
        />
      )}
      <p className="mt-1 text-center text-xs text-ink">
        {follows
          ? "Its subject is followed from frame to frame. Drag the ring, and this one point stays in view instead."
          : "The ring marks what must stay in view. Drag it, or use the arrow keys."}
      </p>
      {facts.kind === "clip" && !follows && (
        <div className="mt-1 text-center text-[13px] text-ink">
          <FindSubject id={item.id} />
        </div>
      )}
    </div>
  );
}

function Facts({ item }: { item: Detail }) {
  const facts = item.facts;
  const rows: readonly (readonly [string, React.ReactNode])[] = [
    ["Kind", `${item.isLogo ? "logo" : item.kind} · ${item.mime}`],
    ...(facts ? [["Measured", factLine(facts)] as const] : []),
    ["Size", megabytes(item.bytes)],
    ...(item.sharpness !== undefined && item.kind === "picture"
      ? [["Sharpness", `${item.sharpness.toFixed(1)}${item.sharpness < 1 ? ", soft" : ""}`] as const]
      : []),
    ...(item.cuts
      ? [["Cuts", item.cuts.length === 0 ? "none" : item.cuts.map((at) => seconds(at)).join(", ")] as const]
      : []),
    ...(item.movement !== undefined
      ? [["Movement", item.movement < 0.1 ? "nearly still" : item.movement < 0.5 ? "calm" : "lively"] as const]
      : []),
    ...(facts?.kind === "sound" && facts.peak !== null
      ? [["Highest peak", `${facts.peak.toFixed(1)} dBTP`] as const]
      : []),
    ["Brought in", item.createdAt.toISOString().slice(0, 10)],
  ];
  return (
    <div>
      <dl className="divide-y divide-rule border-y border-rule text-sm">
        {rows.map(([head, value]) => (
          <div key={head} className="flex justify-between gap-4 py-1.5">
            <dt className="text-soft">{head}</dt>
            <dd className="text-right figures">{value}</dd>
          </div>
        ))}
      </dl>
      {item.colors && item.colors.length > 0 && (
        <div className="mt-2 flex items-center gap-1" title={item.colorWords.join(", ")}>
          {item.colors.map(({ hex, share }) => (
            <span
              key={hex}
              className="h-6 border border-ink/10"
              style={{ background: hex, flexGrow: Math.max(0.05, share) }}
            />
          ))}
          <span className="sr-only">Colours: {item.colorWords.join(", ")}</span>
        </div>
      )}
    </div>
  );
}

function Uses({ item }: { item: Detail }) {
  return (
    <div className="text-sm">
      <h3 className="mb-1 font-semibold">Used in</h3>
      {item.uses.length === 0 ? (
        <p className="text-soft">nothing yet</p>
      ) : (
        <ul>
          {item.uses.map(({ what, name, to }) => (
            <li key={to + name}>
              <Link to={to} className="underline underline-offset-2">
                {name}
              </Link>{" "}
              <span className="text-soft">{what === "brand" ? "" : what}</span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Tags({ item }: { item: Detail }) {
  const fetcher = useFetcher<MediaAnswer>();
  const input = useRef<HTMLInputElement>(null);
  return (
    <div className="text-sm">
      <h3 className="mb-1 font-semibold">Tags</h3>
      <ul className="flex flex-wrap gap-1.5">
        {item.tags.map((tag) => (
          <li key={tag} className="flex items-center gap-1 bg-[#e9e1d0] px-2 py-0.5">
            {tag}
            <button
              type="button"
              aria-label={`Take the tag ${tag} off`}
              onClick={() => void fetcher.submit({ intent: "untag", ids: item.id, tag }, { method: "post" })}
            >
              <X aria-hidden size={13} />
            </button>
          </li>
        ))}
      </ul>
      <fetcher.Form
        method="post"
        className="mt-2 flex gap-2"
        onSubmit={() => setTimeout(() => input.current && (input.current.value = ""))}
      >
        <input type="hidden" name="ids" value={item.id} />
        <input
          ref={input}
          name="tag"
          placeholder="add a tag"
          aria-label="Add a tag"
          className="min-w-0 flex-1 border border-rule bg-white px-2 py-1"
        />
        <button name="intent" value="tag" className="underline">
          Add
        </button>
      </fetcher.Form>
    </div>
  );
}

function InCollections({ item, collections }: { item: Detail; collections: readonly Collection[] }) {
  const fetcher = useFetcher<MediaAnswer>();
  if (collections.length === 0) return null;
  return (
    <fieldset className="text-sm">
      <legend className="mb-1 font-semibold">Collections</legend>
      {collections.map(({ id, name }) => {
        const inside = item.collections.includes(id);
        return (
          <label key={id} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={inside}
              className="accent-accent"
              onChange={() =>
                void fetcher.submit(
                  { intent: inside ? "take-out" : "collect", ids: item.id, collection: id },
                  { method: "post" },
                )
              }
            />{" "}
            {name}
          </label>
        );
      })}
    </fieldset>
  );
}

function Rights({ item }: { item: Detail }) {
  const fetcher = useFetcher<MediaAnswer>();
  const problems = fetcher.data?.problems ?? {};
  const { source, licence, holder, from, to } = item.note;
  return (
    <fetcher.Form
      key={`${item.id}/${JSON.stringify(item.note)}`}
      method="post"
      aria-label="Rights note"
      className="grid grid-cols-2 gap-3"
    >
      <h3 className="col-span-2 -mb-2 text-sm font-semibold">Rights</h3>
      <input type="hidden" name="ids" value={item.id} />
      <Field
        label="Licence"
        hint="own work, bought, given"
        name="licence"
        defaultValue={licence}
        problem={problems["licence"]}
        className="col-span-2"
      />
      <Field label="Source" name="source" defaultValue={source} problem={problems["source"]} />
      <Field label="Holder" name="holder" defaultValue={holder} problem={problems["holder"]} />
      <Field label="From" type="date" name="rights_from" defaultValue={from ?? ""} problem={problems["rights_from"]} />
      <Field label="To" type="date" name="rights_to" defaultValue={to ?? ""} problem={problems["rights_to"]} />
      <Button type="submit" name="intent" value="rights" disabled={fetcher.state !== "idle"} className="col-span-2">
        Save the rights note
      </Button>
    </fetcher.Form>
  );
}

function Actions({
  item,
  onReplace,
  onRemove,
}: {
  item: Detail;
  onReplace: (file: File) => void;
  onRemove: () => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const fetcher = useFetcher<MediaAnswer>();
  return (
    <div className="flex flex-wrap items-center gap-4 border-t border-rule pt-3 text-sm">
      <FilePicker ref={picker} label="File to replace it with" testId="replace-picker" onPick={onReplace} />
      <button type="button" onClick={() => picker.current?.click()} className="underline">
        Replace the file
      </button>
      {item.kind === "picture" && (
        <button
          type="button"
          onClick={() =>
            void fetcher.submit({ intent: item.isLogo ? "no-logo" : "logo", ids: item.id }, { method: "post" })
          }
          className="underline"
        >
          {item.isLogo ? "Not a logo" : "It is a logo"}
        </button>
      )}
      <button type="button" onClick={onRemove} className="ml-auto text-wrong hover:underline">
        Remove
      </button>
    </div>
  );
}
