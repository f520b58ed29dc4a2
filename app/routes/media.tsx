import { counted } from "../../core/text/counted";
import { clsx } from "clsx";
import { data, useFetcher, useSearchParams } from "react-router";
import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { LayoutGrid, List, Mic, Upload as UploadIcon } from "lucide-react";
import { noteDeed } from "../../server/people/deeds";
import { formText } from "../../server/formText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { NO_ID, isId, readIds } from "../../server/ids";
import { addCollection, collect, collectionsOf, removeCollection, takeOut } from "../../server/media/collections";
import {
  moveFocal,
  noteRights,
  removeMedia,
  renameMedia,
  restoreMedia,
  setLogo,
  tagMedia,
} from "../../server/media/mediaChanges";
import { askToFollow } from "../../server/media/followJob";
import { mediaDetail } from "../../server/media/mediaDetail";
import { MEDIA_A_PAGE, listMedia, mediaTags, readMediaQuery, todayIn } from "../../server/media/mediaList";
import { formOf, readJson } from "../../server/doors/readBody";
import type { Route } from "./+types/media";
import { Button } from "../components/Button";
import { FilePicker } from "../components/FilePicker";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Tabs } from "../components/Tabs";
import { useDropZone } from "../components/useDropZone";
import { useMarked } from "../components/useMarked";
import { useReload } from "../components/useReload";
import { toast } from "sonner";
import { useTeamEvents } from "../components/useTeamEvents";
import { useUploads } from "../components/useUploads";
import { useWaits } from "../components/useWaits";
import { answer, type MediaAnswer } from "../media/answer";
import { MarkedBar } from "../media/MarkedBar";
import { MediaDetailPanel } from "../media/MediaDetailPanel";
import { MediaFilters } from "../media/MediaFilters";
import { MediaWall } from "../media/MediaWall";
import { Recorder } from "../media/Recorder";
import { MEDIA_TABS } from "../media/tabs";
import { UploadList } from "../media/UploadList";
import { useMediaPages } from "../media/useMediaPages";
import { ForEditors } from "../components/ForEditors";
import { useMayEdit } from "../components/useMayEdit";

const MOST_PRODUCTS = 200;

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const query = { ...readMediaQuery(params), page: 0 };
  const today = todayIn(team.zone);
  const open = params.get("item") ?? "";
  const [first, tags, collections, products, detail] = await Promise.all([
    listMedia(scope, query, today),
    mediaTags(scope),
    collectionsOf(scope),
    scope
      .select("product")
      .select(["id", "name"])
      .where("id", "in", scope.select("product_picture").select("product_id"))
      .orderBy("name")
      .limit(MOST_PRODUCTS)
      .execute(),
    isId(open) ? mediaDetail(scope, open, today).catch(() => null) : null,
  ]);
  return { query, first, pageSize: MEDIA_A_PAGE, tags, collections, products, detail };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, name: who } = await requireEditor(request);
  const form = await formOf(request);
  const text = (name: string): string => formText(form, name);
  const ids = readIds(text("ids"));
  const collection = readIds(text("collection"))[0] ?? NO_ID;
  const [first] = ids;
  if (!first && text("intent") !== "remove-collection")
    return data(answer({ problem: "Mark at least one item first." }), { status: 409 });
  const done = (change: Partial<MediaAnswer>) =>
    data(answer(change), { status: change.problem ? 409 : Object.keys(change.problems ?? {}).length > 0 ? 422 : 200 });
  switch (text("intent")) {
    case "remove": {
      const result = await removeMedia(scope, ids);
      const { length } = result.removed;
      if (length > 0) await noteDeed(scope, who, `removed ${counted(length, "media item")}`);
      return done(result);
    }
    case "restore":
      return done(await restoreMedia(scope, ids));
    case "tag":
    case "untag":
      return done(await tagMedia(scope, ids, text("tag"), text("intent") === "tag"));
    case "rights": {
      const result = await noteRights(scope, ids, form);
      return done(
        result.ok ? { done: `Rights noted for ${counted(ids.length, "item")}.` } : { problems: result.problems },
      );
    }
    case "rename":
      return done({ problem: await renameMedia(scope, first ?? "", text("name")) });
    case "focal":
      await moveFocal(scope, first ?? "", readJson(text("focal"), "a focal point"));
      return done({});
    case "follow":
      return done({ problem: await askToFollow(scope, first ?? "") });
    case "logo":
    case "no-logo":
      await setLogo(scope, first ?? "", text("intent") === "logo");
      return done({});
    case "collect":
      await collect(scope, collection, ids);
      return done({});
    case "remove-collection":
      await removeCollection(scope, collection);
      return done({ done: "The collection is gone; its items stay." });
    case "take-out":
      await takeOut(scope, collection, ids);
      return done({});
    case "collect-by-name": {
      const made = await addCollection(scope, text("collection-name"));
      if ("problem" in made) return done({ problem: made.problem });
      await collect(scope, made.id, ids);
      return done({ done: `Put into “${text("collection-name").trim()}”.` });
    }
    default:
      throw new Response("The media page does not know what to do with that.", { status: 400 });
  }
}

const NONE: readonly string[] = [];

export default function Media({
  loaderData: { query, first, pageSize, tags, collections, products, detail },
}: Route.ComponentProps) {
  const reload = useReload();
  const [params, setParams] = useSearchParams();
  const changes = useFetcher<MediaAnswer>();
  const [shares, setShares] = useState<Readonly<Record<string, number>>>({});
  const [view, setView] = useState<"grid" | "list">("grid");
  const { marked, setMarked, toggle } = useMarked();
  const [recording, setRecording] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  const search = useMemo(() => {
    const only = new URLSearchParams(params);
    only.delete("item");
    return only.toString();
  }, [params]);
  const { count, itemAt, want, loaded } = useMediaPages(search, first, pageSize);
  const open = useCallback(
    (id: string | null): void =>
      setParams(
        (before) => {
          if (id) before.set("item", id);
          else before.delete("item");
          return before;
        },
        { replace: true, preventScrollReset: true },
      ),
    [setParams],
  );
  const waits = useWaits(loaded.some(({ state }) => state === "waiting"));
  const mayEdit = useMayEdit();
  const { uploads, add, again, goOn, cancel } = useUploads(reload);
  const { over, zone } = useDropZone({ onFiles: (files) => mayEdit && add(files) });
  useTeamEvents(
    (event) => {
      if (event.topic !== "media") return;
      const { id, state, progress } = event;
      if (state === "failed") {
        const name = loaded.find((item) => item.id === id)?.name;
        toast.error(`${name === undefined ? "A file" : `“${name}”`} could not be read in. Its details say why.`);
      }
      if (state === "working") setShares((all) => ({ ...all, [id]: progress }));
      if (state !== "working" || !loaded.some((item) => item.id === id && item.state === "working")) reload();
    },
    () => {
      if (loaded.some(({ state }) => state === "working")) reload();
    },
  );
  // What was removed is marked no longer, and its details are closed.
  const letGo = useEffectEvent((removed: readonly string[]) => {
    setMarked((before) => new Set([...before].filter((id) => !removed.includes(id))));
    if (detail && removed.includes(detail.id)) open(null);
  });
  const { removed = NONE } = changes.data ?? {};
  useEffect(() => {
    if (removed.length > 0) letGo(removed);
  }, [removed]);
  const send = (intent: string, ids: readonly string[]): void =>
    void changes.submit({ intent, ids: ids.join(",") }, { method: "post" });
  const filtered = search !== "";
  return (
    <main className={`flex-1 px-8 py-7 max-sm:px-4 ${over ? "bg-ready-pale" : ""}`} {...zone}>
      <PageHead title="Media" about="Pictures, clips, sounds and logos. Drop files anywhere on this page.">
        <ForEditors>
          <FilePicker
            ref={picker}
            multiple
            label="Files to bring in"
            testId="file-picker"
            onPick={(_first, files) => add(files)}
          />
          <Button onClick={() => setRecording(true)}>
            <Mic aria-hidden size={16} /> Record
          </Button>
          <Button look="main" onClick={() => picker.current?.click()}>
            <UploadIcon aria-hidden size={16} /> Bring files in
          </Button>
        </ForEditors>
      </PageHead>
      <Tabs label="Media" tabs={MEDIA_TABS} />
      <UploadList uploads={uploads} onCancel={cancel} onAgain={again} onGoOn={goOn} onShow={open} />
      <div className="flex gap-6">
        <div className="min-w-0 flex-1">
          <MediaFilters query={query} tags={tags} collections={collections} products={products} />
          <div className="mb-3 flex items-center gap-3 text-sm">
            <span role="status" className="figures text-soft">
              {counted(count, "item")}
            </span>
            {query.collection !== "" && (
              <button
                type="button"
                onClick={() => {
                  void changes.submit(
                    { intent: "remove-collection", collection: query.collection },
                    { method: "post" },
                  );
                  setParams({});
                }}
                className="text-wrong hover:underline"
              >
                Remove this collection
              </button>
            )}
            <button
              type="button"
              onClick={() => setMarked(new Set(loaded.map(({ id }) => id)))}
              className="text-soft underline-offset-2 hover:underline"
            >
              Mark all shown
            </button>
            <span className="ml-auto flex" role="group" aria-label="View">
              {(
                [
                  ["grid", LayoutGrid, "Grid"],
                  ["list", List, "List"],
                ] as const
              ).map(([value, Icon, text]) => (
                <button
                  key={value}
                  type="button"
                  aria-pressed={view === value}
                  onClick={() => setView(value)}
                  className={clsx(
                    "flex items-center gap-1.5 px-3 py-1.5",
                    view === value ? "bg-card font-semibold" : "text-soft hover:text-ink",
                  )}
                >
                  <Icon aria-hidden size={15} /> {text}
                </button>
              ))}
            </span>
          </div>
          {marked.size > 0 && (
            <MarkedBar
              fetcher={changes}
              ids={[...marked]}
              collections={collections}
              onClear={() => setMarked(new Set())}
            />
          )}
          {changes.data?.problem && (
            <Notice kind="wrong" className="mb-4">
              {changes.data.problem}
            </Notice>
          )}
          {changes.data?.done && changes.state === "idle" && (
            <Notice kind="ready" className="mb-4">
              {changes.data.done}{" "}
              {removed.length > 0 && (
                <button type="button" onClick={() => send("restore", removed)} className="ml-2 font-semibold underline">
                  Undo
                </button>
              )}
            </Notice>
          )}
          {count === 0 ? (
            <div className="border border-dashed border-firm p-16 text-center text-soft">
              {filtered
                ? "Nothing answers that search."
                : "Nothing here yet. Drop your first pictures here, press “Bring files in”, or look at the starter shelf."}
            </div>
          ) : (
            <MediaWall
              count={count}
              itemAt={itemAt}
              want={want}
              view={view}
              shares={shares}
              waits={waits}
              marked={marked}
              open={detail?.id ?? null}
              onOpen={open}
              onMark={toggle}
            />
          )}
        </div>
        {detail && (
          <MediaDetailPanel
            key={detail.id}
            item={detail}
            collections={collections}
            onOpen={open}
            onClose={() => open(null)}
            onReplace={(file) => add([file], { replace: detail.id })}
            onRemove={() => send("remove", [detail.id])}
          />
        )}
      </div>
      {recording && (
        <Recorder onRecorded={(file) => add([file], { again: true })} onClose={() => setRecording(false)} />
      )}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
