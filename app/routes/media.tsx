import { Form, data, useRevalidator } from "react-router";
import { useRef, useState } from "react";
import { AudioLines, Upload as UploadIcon, X } from "lucide-react";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { type MediaItem, mediaList, removeMedia } from "../../server/media/mediaList";
import type { Route } from "./+types/media";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { factLine, megabytes, thumbAddress } from "../components/mediaLook";
import { useDropZone } from "../components/useDropZone";
import { useTeamEvents } from "../components/useTeamEvents";
import { useUploads } from "../components/useUploads";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  return { items: await mediaList(scope) };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  const form = await request.formData();
  const problem = await removeMedia(scope, String(form.get("remove")));
  return problem ? data({ problem }, { status: 409 }) : { problem: null };
}

const FILTERS = [["all", "Everything"], ["picture", "Pictures"], ["clip", "Clips"], ["sound", "Sounds"]] as const;

export default function Media({ loaderData: { items }, actionData }: Route.ComponentProps) {
  const revalidator = useRevalidator();
  const { uploads, add, cancel } = useUploads(() => void revalidator.revalidate());
  const [shares, setShares] = useState<Readonly<Record<string, number>>>({});
  const [filter, setFilter] = useState<string>("all");
  const { over, zone } = useDropZone(add);
  const picker = useRef<HTMLInputElement>(null);
  useTeamEvents(({ topic, id, state, progress }) => {
    if (topic !== "media") return;
    if (state === "working") setShares((all) => ({ ...all, [id]: progress }));
    if (state !== "working" || !items.some((item) => item.id === id && item.state === "working")) void revalidator.revalidate();
  });
  const shown = items.filter((item) => filter === "all" || item.kind === filter);
  return (
    <main
      className={`flex-1 px-8 py-7 ${over ? "bg-ready-pale" : ""}`}
      {...zone}
    >
      <PageHead title="Media" about="Pictures, clips and tunes. Drop files anywhere on this page.">
        <input ref={picker} type="file" multiple className="sr-only" tabIndex={-1} aria-label="Files to bring in" data-testid="file-picker"
          onChange={(event) => {
            add(event.target.files ?? []);
            event.target.value = "";
          }}
        />
        <Button look="main" onClick={() => picker.current?.click()}>
          <UploadIcon aria-hidden size={16} /> Bring files in
        </Button>
      </PageHead>
      {actionData?.problem && <Notice kind="wrong" className="mb-4">{actionData.problem}</Notice>}
      {uploads.length > 0 && (
        <ul aria-label="Uploads" className="mb-6 divide-y divide-rule border-y border-rule bg-card">
          {uploads.map(({ key, name, share, problem }) => (
            <li key={key} className="flex items-center gap-4 px-3 py-2 text-sm">
              {problem ? (
                <Notice kind="wrong" className="flex-1">{problem}</Notice>
              ) : (
                <>
                  <span className="w-72 truncate">{name}</span>
                  <Bar share={share} label={`Sending ${name}`} />
                  <span className="figures w-12 text-right">{Math.round(share * 100)} %</span>
                </>
              )}
              <button type="button" onClick={() => cancel(key)} className="p-1 text-soft hover:text-ink" aria-label={problem ? `Dismiss ${name}` : `Cancel ${name}`}>
                <X aria-hidden size={16} />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div role="group" aria-label="Show" className="mb-4 flex gap-5 text-sm">
        {FILTERS.map(([value, text]) => (
          <button key={value} type="button" aria-pressed={filter === value} onClick={() => setFilter(value)} className={`border-b-2 pb-1 ${filter === value ? "border-ink font-semibold" : "border-transparent text-soft hover:text-ink"}`}>
            {text} <span className="figures text-soft">{value === "all" ? items.length : items.filter((item) => item.kind === value).length}</span>
          </button>
        ))}
      </div>
      {shown.length === 0 ? (
        <div className="border border-dashed border-firm p-16 text-center text-soft">Nothing here yet. Drop your first pictures here, or press “Bring files in”.</div>
      ) : (
        <ul aria-label="Media items" className="grid grid-cols-[repeat(auto-fill,minmax(212px,1fr))] gap-5">
          {shown.map((item) => <MediaCard key={item.id} item={item} share={shares[item.id] ?? item.progress} />)}
        </ul>
      )}
    </main>
  );
}

function MediaCard({ item, share }: { item: MediaItem; share: number }) {
  const address = item.facts && thumbAddress(item.facts, 420);
  return (
    <li className="flex flex-col bg-card" data-state={item.state} data-name={item.name}>
      <div className="flex h-44 items-center justify-center overflow-hidden bg-proof">
        {item.state === "failed" ? (
          <div className="flex h-full w-full items-center bg-wrong-pale p-3"><Notice kind="wrong" className="p-0!">{item.problem}</Notice></div>
        ) : item.facts?.kind === "clip" ? (
          <video src={`/media/${item.id}/proxy`} poster={address ?? undefined} muted loop playsInline preload="none" tabIndex={0} aria-label={`Clip ${item.name}; plays while focused`} className="max-h-full max-w-full"
            onMouseEnter={(event) => void event.currentTarget.play().catch(() => undefined)} onMouseLeave={(event) => event.currentTarget.pause()}
            onFocus={(event) => void event.currentTarget.play().catch(() => undefined)} onBlur={(event) => event.currentTarget.pause()}
          />
        ) : item.facts?.kind === "sound" ? (
          <div className="flex w-full flex-col items-center gap-3 px-3 text-card"><AudioLines aria-hidden size={44} /><audio controls preload="none" src={`/media/${item.id}/sound`} className="h-9 w-full" aria-label={`Listen to ${item.name}`} /></div>
        ) : address ? (
          <img src={address} alt="" loading="lazy" className={`max-h-full max-w-full ${item.name.endsWith(".svg") ? "bg-card p-4" : ""}`} />
        ) : (
          <div className="w-4/5 text-center text-sm text-ink"><p className="mb-2">{item.state === "waiting" ? "Waiting to be read in" : "Reading it in"}</p><Bar share={share} label={`Reading in ${item.name}`} /></div>
        )}
      </div>
      <div className="flex items-start justify-between gap-2 px-3 py-2">
        <div className="min-w-0">
          <p className="truncate font-semibold" title={item.name}>{item.name}</p>
          <p className="figures mt-0.5 text-soft">{item.facts ? factLine(item.facts) : item.kind} · {megabytes(item.bytes)}</p>
        </div>
        <Form method="post" preventScrollReset>
          <button type="submit" name="remove" value={item.id} className="p-1 text-soft hover:text-wrong" aria-label={`Remove ${item.name}`}><X aria-hidden size={16} /></button>
        </Form>
      </div>
    </li>
  );
}

function Bar({ share, label }: { share: number; label: string }) {
  return (
    <div role="progressbar" aria-label={label} aria-valuemin={0} aria-valuemax={100} aria-valuenow={Math.round(share * 100)} className="h-1.5 flex-1 bg-rule">
      <div className="h-full bg-ready transition-[width]" style={{ width: `${share * 100}%` }} />
    </div>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
