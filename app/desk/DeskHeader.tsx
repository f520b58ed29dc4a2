import { clsx } from "clsx";
import { Link } from "react-router";
import { Check, CloudOff, LoaderCircle, TriangleAlert } from "lucide-react";
import { type ReactNode } from "react";
import { useMayEdit } from "../components/useMayEdit";
import { EditableName } from "../components/EditableName";
import { type SaveState } from "../edits/editSession";
import { ReviewerNote } from "../components/ForEditors";

const DESKS = [
  ["Fill", ""],
  ["Proof", "/proof"],
  ["Pace", "/pace"],
  ["Send", "/send"],
] as const;
type Desk = (typeof DESKS)[number][0];

/** The head of a promotion: its name, saved state, the desks, and its actions. */
export function DeskHeader({
  slug,
  name,
  save,
  current,
  onRename,
  children,
}: {
  slug: string;
  name: string;
  save?: SaveState;
  current: Desk;
  onRename?: (name: string) => void;
  children: ReactNode;
}) {
  const mayEdit = useMayEdit();
  return (
    <div
      className={clsx(
        "flex min-h-[58px] shrink-0 items-center gap-6 border-b border-rule bg-card px-5",
        "max-lg:flex-wrap max-lg:gap-x-4 max-lg:gap-y-2 max-lg:py-2",
      )}
    >
      <title>{`${name} · Stencilcraft`}</title>
      {onRename && mayEdit ? (
        <>
          <h1 className="sr-only">
            {name}: {current}
          </h1>
          <EditableName label="Name of the promotion" most={80} name={name} onRename={onRename} />
        </>
      ) : (
        <h1 className="truncate text-[20px]">{name}</h1>
      )}
      {save && mayEdit && <Saved state={save} />}
      {!mayEdit && <ReviewerNote />}
      <nav aria-label="Desks" className="flex gap-1">
        {DESKS.map(([text, path]) => (
          <Link
            key={text}
            to={`/promotions/${slug}${path}`}
            // Their code alone: what they show is handed over from desk to desk.
            prefetch={text === "Fill" || text === "Proof" ? "render" : "none"}
            aria-current={text === current ? "step" : undefined}
            className={clsx(
              "px-5 py-1.5 text-[14.5px] font-semibold",
              "[clip-path:polygon(0_0,calc(100%-11px)_0,100%_50%,calc(100%-11px)_100%,0_100%,11px_50%)]",
              text === current ? "bg-ink text-card" : "bg-[#e9e1d0] text-soft hover:text-ink",
            )}
          >
            {text}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-3 max-lg:flex-wrap">{children}</div>
    </div>
  );
}

/** What has become of the last change, in words. */
export function Saved({ state }: { state: SaveState }) {
  const look = "flex min-w-[74px] items-center gap-1 text-[13px]";
  if (state === "saved")
    return (
      <span role="status" className={`${look} text-ready`}>
        <Check aria-hidden size={14} /> saved
      </span>
    );
  if (state === "saving")
    return (
      <span role="status" className={`${look} text-soft`}>
        <LoaderCircle aria-hidden size={14} /> saving
      </span>
    );
  if (state === "offline")
    return (
      <span role="status" className={`${look} text-warn`}>
        <CloudOff aria-hidden size={14} /> not saved: no connection, trying again
      </span>
    );
  return (
    <span role="alert" className={`${look} text-wrong`}>
      <TriangleAlert aria-hidden size={14} /> {state.problem}
    </span>
  );
}
