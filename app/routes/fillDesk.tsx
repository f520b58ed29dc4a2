import { mediaFill } from "../../core/document/shots";
import { useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Plus } from "lucide-react";
import { toast } from "sonner";
import { markOfKey } from "../../core/document/brandMark";
import { isPlaceable } from "../../core/document/placeable";
import { fillSlot, rename } from "../../core/document/edits";
import { itemKey, itemOfKey } from "../../core/document/itemKey";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type SceneSpan } from "../../core/time/timeline";
import { requirePerson } from "../../server/auth/sessions";
import { loadFillDesk } from "../../server/promotions/fillDesk";
import { mayChangeLocked } from "../../server/auth/roles";
import { carriedOver, useCarriedDesk } from "../desk/carriedDesk";
import type { Route } from "./+types/fillDesk";
import { useMayEdit } from "../components/useMayEdit";
import { useLive } from "../components/useLive";
import { Button, ButtonLink } from "../components/Button";
import { useDropFill } from "../mediaChoice/useDropFill";
import { KeepDialog } from "../desk/KeepDialog";
import { VersionsDialog } from "../desk/VersionsDialog";
import { TemplatesDialog } from "../desk/TemplatesDialog";
import { CopyDeck } from "../desk/CopyDeck";
import { FindDialog } from "../words/FindDialog";
import { DeskNotices } from "../desk/DeskNotices";
import { DeskHeader } from "../desk/DeskHeader";
import { Transport } from "../desk/Transport";
import { Trio } from "../desk/Trio";
import { useDesk } from "../desk/useDesk";
import { type PlacedKey } from "../../core/document/placedKey";
import { usePlacing } from "../desk/usePlacing";
import { SeveralTools } from "../desk/SeveralTools";
import { useTogether } from "../desk/useTogether";
import { PresentPeople } from "../desk/PresentPeople";
import { usePresence } from "../desk/usePresence";
import { UndoButtons } from "../desk/UndoButtons";
import { DESK_FOOT } from "../components/foot";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  return { ...(await loadFillDesk(scope, slug, team)), free: mayChangeLocked(role) };
}

export const clientLoader = ({ params: { slug }, serverLoader }: Route.ClientLoaderArgs) =>
  carriedOver(slug, "Fill", serverLoader);

export const handle = DESK_FOOT;

export default function FillDesk({ loaderData, params }: Route.ComponentProps) {
  useCarriedDesk(params.slug, "Fill", loaderData);
  // A desk of another promotion starts anew.
  return <Desk key={params.slug} loaded={loaderData} />;
}

function Desk({ loaded }: { loaded: Route.ComponentProps["loaderData"] }) {
  const { slug, offers, free } = loaded;
  const desk = useDesk(loaded);
  const { session, state, document, templates, offered, facts, promotion, formats, engine, prepared, findings } = desk;
  const { apply } = session;
  const { save } = state;
  const [dialog, setDialog] = useState<"empty" | "insert" | "swap" | "keep" | "versions" | "find" | null>(null);
  const [marked, setMarked] = useState<PlacedKey | null>(null);
  const present = usePresence(slug, marked ?? "");
  const deck = useRef<HTMLFieldSetElement>(null);
  const live = useLive();
  const mayEdit = useMayEdit();
  const dropFill = useDropFill((slot, id) => apply(fillSlot(slot, mediaFill(id))), slug);

  const mayPlace = (key: PlacedKey): boolean => isPlaceable(document, templates, key, free);
  const together = useTogether(prepared, {
    isPlaceable: mayPlace,
    onKept: () => toast.error("The template keeps this in its place."),
  });
  const { placing, startPlacing, stopPlacing } = usePlacing(document, templates, {
    onEdit: apply,
    onDragged: desk.onDragged,
    together,
  });
  const newer = offered.find(
    ({ ref }) => ref.slug === document.template.slug && ref.edition > document.template.edition,
  );

  function mark(slot: SlotKey, span: SceneSpan): void {
    setMarked(slot);
    const state = engine?.state();
    if (state && !state.playing && (state.time < span.entered || state.time >= span.end - 500))
      engine?.seek(span.start + (span.end - span.start) * 0.6);
  }
  function takeItem(id: string, scene: string): void {
    const key = itemKey(id);
    setMarked(key);
    startPlacing(key);
    const state = engine?.state();
    const shown = state?.prepared[0]?.items.find((one) => one.id === id);
    // One that was just put in is nowhere yet: it comes with its scene.
    const span = promotion.spans[promotion.scenes.findIndex((one) => one.id === scene)];
    const { from, to } = shown ?? { from: span?.start ?? 0, to: span?.end ?? 0 };
    if (state && !state.playing && (state.time < from || state.time >= to)) engine?.seek(from + (to - from) * 0.6);
  }
  function takeTogether(key: PlacedKey, isOn: boolean): void {
    stopPlacing();
    together.set(key, isOn);
  }
  function pick(slot: PlacedKey, isAdded: boolean): void {
    if (isAdded) {
      stopPlacing();
      together.add(slot, marked);
      return;
    }
    together.end();
    // Its scene may be out of view: then it is on the sheet only once it is marked.
    flushSync(() => setMarked(slot));
    if (itemOfKey(slot) !== null || (markOfKey(slot) && mayPlace(slot))) startPlacing(slot);
    else if (placing && !placing.keys.includes(slot)) stopPlacing();
    deck.current?.querySelector<HTMLElement>(`[data-slot="${slot}"]`)?.focus();
  }

  return (
    <main className="flex h-[calc(100vh-46px)] min-h-[560px] flex-col max-lg:h-auto">
      <DeskHeader slug={slug} name={document.name} save={save} current="Fill" onRename={(name) => apply(rename(name))}>
        <PresentPeople present={present} promotion={promotion} />
        <Button look="quiet" onClick={() => setDialog("versions")}>
          Versions
        </Button>
        <UndoButtons session={session} state={state} />
        <ButtonLink look="main" to={`/promotions/${slug}/proof`}>
          On to the proofs
        </ButtonLink>
      </DeskHeader>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(560px,648px)_minmax(0,1fr)] max-lg:flex max-lg:flex-col-reverse">
        <fieldset ref={deck} disabled={!live || !mayEdit} className="min-h-0 min-w-0 max-lg:h-[80vh] max-lg:flex-none">
          <CopyDeck
            document={document}
            newest={session}
            promotion={promotion}
            prepared={prepared}
            findings={findings}
            marked={marked}
            several={together.keys}
            onSeveral={takeTogether}
            present={present}
            free={free}
            onEdit={apply}
            onProblem={(problem) => toast.error(problem)}
            onDropFiles={dropFill}
            notice={
              <DeskNotices
                document={document}
                promotion={promotion}
                gone={loaded.gone}
                newer={newer}
                onSeeChange={() => setDialog("swap")}
              />
            }
            actions={
              <>
                <Button onClick={() => setDialog("empty")}>
                  <Plus aria-hidden size={16} /> Empty scene
                </Button>
                <Button onClick={() => setDialog("insert")}>Insert scenes</Button>
                <Button look="quiet" onClick={() => setDialog("find")}>
                  Find words
                </Button>
                <Button look="quiet" onClick={() => setDialog("swap")}>
                  Change the template
                </Button>
                {free && (
                  <Button look="quiet" disabled={save !== "saved"} onClick={() => setDialog("keep")}>
                    Keep as a template
                  </Button>
                )}
              </>
            }
            choices={{
              media: desk.media,
              sounds: loaded.sounds,
              onChosen: desk.onChosen,
              products: desk.products,
              onChosenProduct: desk.onChosenProduct,
              offers,
              suggestions: loaded.suggestions,
            }}
            onMark={(slot, span) => {
              if (placing && !placing.keys.includes(slot)) stopPlacing();
              mark(slot, span);
            }}
            onPlaceItem={takeItem}
            onLookAt={(time) => engine?.seek(time)}
            onPlace={(slot, span) => {
              mark(slot, span);
              startPlacing(slot);
            }}
          />
        </fieldset>
        <Trio
          engine={engine}
          slug={slug}
          formats={formats}
          marked={marked}
          several={together.keys}
          tools={
            together.keys.length > 1 && (
              <SeveralTools
                document={document}
                keys={together.keys}
                sheets={prepared}
                onEdit={apply}
                onEnd={together.end}
              />
            )
          }
          placing={placing}
          onPick={pick}
          onFormats={desk.onFormats}
        />
      </div>
      <Transport
        engine={engine}
        scenes={promotion.scenes.map(({ template }) => template)}
        spans={promotion.spans}
        length={promotion.length}
      />
      {dialog === "find" && (
        <FindDialog
          document={document}
          promotion={promotion}
          free={free}
          onEdit={apply}
          onProblem={(problem) => toast.error(problem)}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === "versions" && (
        <VersionsDialog
          slug={slug}
          document={document}
          facts={facts}
          isSaved={save === "saved"}
          onEdit={apply}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === "keep" && (
        <KeepDialog
          slug={slug}
          name={document.name}
          promotion={promotion}
          onKept={(name) => toast(`“${name}” is among the team's templates now.`)}
          onClose={() => setDialog(null)}
        />
      )}
      {(dialog === "empty" || dialog === "insert" || dialog === "swap") && (
        <TemplatesDialog
          purpose={dialog}
          document={document}
          facts={facts}
          offered={offered}
          media={loaded.samples}
          hasProductPicture={(facts.product?.picture ?? null) !== null}
          onEdit={apply}
          onProblem={(problem) => toast.error(problem)}
          onClose={() => setDialog(null)}
        />
      )}
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
