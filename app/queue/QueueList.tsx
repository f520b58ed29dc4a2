import { type ReactNode } from "react";
import { ArrowUpToLine, RotateCcw, X } from "lucide-react";
import { Link, useFetcher } from "react-router";
import { Bar } from "../components/Bar";
import { FormatMark } from "../components/FormatMark";
import { useMayEdit } from "../components/useMayEdit";
import { type QueuedItem } from "./queuedItem";

/** Work of one state. What can be done about it stands beside it. */
export function QueueList({ title, items, none }: { title: string; items: readonly QueuedItem[]; none: string }) {
  return (
    <section aria-label={title}>
      <h2 className="mb-2 flex items-baseline gap-2">
        {title} {items.length > 0 && <span className="figures text-base font-normal text-soft">{items.length}</span>}
      </h2>
      {items.length === 0 ? (
        <p className="border-y border-rule py-3 text-sm text-soft">{none}</p>
      ) : (
        <ul className="divide-y divide-rule border-y border-rule">
          {items.map((item, place) => (
            <QueueRow key={item.id} item={item} isFirst={place === 0} />
          ))}
        </ul>
      )}
    </section>
  );
}

function QueueRow({ item, isFirst }: { item: QueuedItem; isFirst: boolean }) {
  const { id, what, name, of, state, progress, problem, host, wait, ended } = item;
  const isFailed = state === "failed";
  const about = of?.about ?? (isFailed ? what : `${what}, read in`);
  const mayEdit = useMayEdit();
  const fetcher = useFetcher();
  const send = (intent: string) => (): void => void fetcher.submit({ intent, id }, { method: "post" });
  return (
    <li data-state={state} className="flex min-h-[52px] items-center gap-4 py-2 text-sm">
      <span className="flex w-5 shrink-0 justify-center">{of && <FormatMark format={of.format} size={13} />}</span>
      <span className="min-w-0 flex-1">
        <Link
          to={of ? `/promotions/${of.slug}/send` : `/media?item=${id}`}
          className="block truncate font-semibold underline-offset-2 hover:underline"
        >
          {name}
        </Link>
        <span className={`block ${isFailed ? "text-wrong" : "truncate text-soft"}`}>
          {about}
          {isFailed && `: ${problem ?? "it failed"}`}
          {state === "waiting" && ` · ${wait ?? problem ?? "waits"}`}
          {state === "working" && host !== null && ` · on ${host}`}
          {state === "ready" && ended !== null && ` · ${ended}`}
        </span>
      </span>
      {state === "working" && (
        <span className="flex w-40 shrink-0 items-center gap-3">
          <Bar share={progress} label={`How far ${name} is`} />
          <span className="w-10 text-right figures">{Math.round(progress * 100)} %</span>
        </span>
      )}
      {mayEdit && (
        <span className="flex shrink-0 gap-1">
          {state === "waiting" && !isFirst && (
            <RowButton label={`Move ${name} to the front`} text="To the front" onClick={send("front")}>
              <ArrowUpToLine aria-hidden size={15} />
            </RowButton>
          )}
          {of && (state === "waiting" || state === "working") && (
            <RowButton label={`Cancel ${name}, ${of.title}`} text="Cancel" onClick={send("cancel")}>
              <X aria-hidden size={15} />
            </RowButton>
          )}
          {of && isFailed && (
            <RowButton label={`Retry ${name}, ${of.title}`} text="Retry" onClick={send("retry")}>
              <RotateCcw aria-hidden size={15} />
            </RowButton>
          )}
        </span>
      )}
    </li>
  );
}

function RowButton({
  label,
  text,
  onClick,
  children,
}: {
  label: string;
  text: string;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onClick}
      className="flex items-center gap-1.5 px-2 py-1.5 text-soft hover:bg-card hover:text-ink"
    >
      {children} {text}
    </button>
  );
}
