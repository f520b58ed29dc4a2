import { mediaFill } from "../../core/document/shots";
import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { Plus } from "lucide-react";
import { toast } from "sonner";
import { templateKey } from "../../core/document/facts";
import { SHIPPED_BY_REF } from "../../core/templates/shipped";
import { designOf } from "../../core/document/design";
import { addFormat, fillSlot, removeFormat, rename } from "../../core/document/edits";
import { formatsInOrder } from "../../core/document/formatList";
import { type FormatName } from "../../core/placement/formats";
import { newlyNamed } from "../../core/document/named";
import { refsOf } from "../../core/document/locks";
import { resolvePromotion } from "../../core/document/resolve";
import { type SlotKey } from "../../core/document/template";
import { type SceneSpan } from "../../core/time/timeline";
import { requirePerson } from "../../server/auth/sessions";
import { loadFillDesk } from "../../server/promotions/fillDesk";
import { mayChangeLocked } from "../../server/auth/roles";
import type { Route } from "./+types/fillDesk";
import { useLive } from "../components/useLive";
import { Toasts } from "../components/Toasts";
import { Button, ButtonLink } from "../components/Button";
import { useDropFill } from "../desk/useDropFill";
import { KeepDialog } from "../desk/KeepDialog";
import { VersionsDialog } from "../desk/VersionsDialog";
import { TemplatesDialog } from "../desk/TemplatesDialog";
import { CopyDeck } from "../desk/CopyDeck";
import { DeskNotices } from "../desk/DeskNotices";
import { DeskHeader } from "../desk/DeskHeader";
import { Transport } from "../desk/Transport";
import { Trio } from "../desk/Trio";
import { editedPromotion } from "../desk/editedPromotion";
import { tellMerged, tellRefused } from "../edits/tellMerged";
import { useEdits } from "../edits/useEdits";
import { useProofEngine, useProofState } from "../desk/useProof";
import { usePlacing } from "../desk/usePlacing";
import { promotionInWords } from "../desk/promotionPlaces";
import { PresentPeople } from "../desk/PresentPeople";
import { usePresence } from "../desk/usePresence";
import { UndoButtons } from "../desk/UndoButtons";
import { useUndoKeys } from "../desk/useUndoKeys";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  return { ...(await loadFillDesk(scope, slug, team.zone)), free: mayChangeLocked(role) };
}

export default function FillDesk({ loaderData, params }: Route.ComponentProps) {
  // A desk of another promotion starts anew.
  return <Desk key={params.slug} loaded={loaderData} />;
}

function Desk({ loaded }: { loaded: Route.ComponentProps["loaderData"] }) {
  const { slug, lines, media, products, offers, offered, free } = loaded;
  const revalidator = useRevalidator();
  const templates = useMemo(
    () => ({
      ...SHIPPED_BY_REF,
      ...loaded.facts.templates,
      ...Object.fromEntries(offered.map(({ ref, template }) => [templateKey(ref), template])),
    }),
    [loaded.facts.templates, offered],
  );
  const [edited] = useState(() => editedPromotion(slug));
  const { session, state } = useEdits(edited, loaded, {
    onSaved: (edits) => {
      if (edits.some(({ isUrgent }) => isUrgent)) void revalidator.revalidate();
    },
    onMerged: (merged) => {
      const { scenes } = designOf(merged.document, templates);
      tellMerged(merged, promotionInWords(merged.before, scenes), session.apply);
      if (newlyNamed(merged.before, merged.document).length > 0) void revalidator.revalidate();
    },
    onRefused: tellRefused,
    isShowable: (shown) => refsOf(shown).every((ref) => templateKey(ref) in templates),
  });
  const { document, save } = state;
  const { apply, undo, redo } = session;
  const engine = useProofEngine();
  const prepared = useProofState(engine, (state) => state.prepared);
  const findings = useProofState(engine, (state) => state.findings);
  const [dialog, setDialog] = useState<"insert" | "swap" | "keep" | "versions" | null>(null);
  const [marked, setMarked] = useState<SlotKey | null>(null);
  const present = usePresence(slug, marked ?? "");
  const deck = useRef<HTMLFieldSetElement>(null);
  const live = useLive();
  useUndoKeys(undo, redo);
  const dropFill = useDropFill(
    (slot, id) => apply(fillSlot(slot, mediaFill(id))),
    () => void revalidator.revalidate(),
  );

  const facts = useMemo(() => {
    const product = products.find(({ id }) => id === document.product) ?? null;
    return {
      ...loaded.facts,
      templates,
      products: Object.fromEntries(products.map((one) => [one.id, one])),
      product,
      offer: document.offer ? (lines[document.offer] ?? null) : null,
    };
  }, [loaded.facts, lines, templates, products, document.product, document.offer]);
  const { placing, dragged, startPlacing, stopPlacing } = usePlacing(document, templates, apply);
  const promotion = useMemo(() => resolvePromotion(document, facts), [document, facts]);
  useEffect(() => engine?.show(dragged ?? document, facts), [engine, document, dragged, facts]);
  // What is typed is told to the worker at once, which prepares it while this page is still rendering its fields.
  const showAtOnce = useEffectEvent((): void => engine?.show(session.state().document, facts));
  useEffect(() => session.subscribe(() => showAtOnce()), [session]);
  const newer = offered.find(
    ({ ref }) => ref.slug === document.template.slug && ref.edition > document.template.edition,
  );

  // The same list while somebody types: proofs are hung anew only when it changes.
  const formats = useMemo(() => formatsInOrder({ formats: document.formats }), [document.formats]);
  const chooseFormats = (chosen: readonly FormatName[]): void => {
    for (const format of chosen) if (!formats.includes(format)) apply(addFormat(document, format));
    for (const format of formats) if (!chosen.includes(format)) apply(removeFormat(format));
  };

  function mark(slot: SlotKey, span: SceneSpan): void {
    setMarked(slot);
    const state = engine?.state();
    if (state && !state.playing && (state.time < span.entered || state.time >= span.end - 500))
      engine?.seek(span.start + (span.end - span.start) * 0.6);
  }
  function pick(slot: SlotKey): void {
    setMarked(slot);
    if (placing && slot !== placing.slot) stopPlacing();
    deck.current?.querySelector<HTMLElement>(`[data-slot="${slot}"]`)?.focus();
  }

  return (
    <main className="flex h-[calc(100vh-46px)] min-h-[560px] flex-col">
      <DeskHeader slug={slug} name={document.name} save={save} current="Fill" onRename={(name) => apply(rename(name))}>
        <PresentPeople present={present} promotion={promotion} />
        <Button look="quiet" onClick={() => setDialog("versions")}>
          Versions
        </Button>
        <UndoButtons session={session} state={state} />
        <ButtonLink look="main" to={`/promotions/${slug}/send`}>
          On to rendering
        </ButtonLink>
      </DeskHeader>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(560px,648px)_minmax(0,1fr)]">
        <fieldset ref={deck} disabled={!live} className="min-h-0 min-w-0">
          <CopyDeck
            document={document}
            promotion={promotion}
            prepared={prepared}
            findings={findings}
            marked={marked}
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
                <Button onClick={() => setDialog("insert")}>
                  <Plus aria-hidden size={16} /> Insert scenes
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
              media: media.flatMap(({ facts, rights }) => (facts ? [{ facts, rights }] : [])),
              products,
              offers,
              suggestions: loaded.suggestions,
            }}
            onMark={(slot, span) => {
              if (placing && slot !== placing.slot) stopPlacing();
              mark(slot, span);
            }}
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
          placing={placing}
          onPick={pick}
          onFormats={chooseFormats}
        />
      </div>
      <Transport
        engine={engine}
        scenes={promotion.scenes.map(({ template }) => template)}
        spans={promotion.spans}
        length={promotion.length}
      />
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
      {(dialog === "insert" || dialog === "swap") && (
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
      <Toasts above={58} />
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
