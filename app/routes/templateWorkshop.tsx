import { useEffect, useMemo, useState } from "react";
import { ArrowDown, ArrowUp, Plus, Redo2, Trash2, Undo2 } from "lucide-react";
import { Form, redirect } from "react-router";
import { TRIALS, type Trial, tryOut } from "../../core/document/tryOut";
import { type Facts, templateKey } from "../../core/document/facts";
import { resolvePromotion } from "../../core/document/resolve";
import { PURPOSES, type SlotKind, type SlotKey } from "../../core/document/template";
import { requireDesigner } from "../../server/auth/sessions";
import { loadWorkshop, publishDraft, removeTemplate } from "../../server/templates/workshop";
import type { Route } from "./+types/templateWorkshop";
import { Button } from "../components/Button";
import { useLive } from "../components/useLive";
import { fieldLook } from "../desk/DeckFields";
import { Saved } from "../desk/DeskHeader";
import { Transport } from "../desk/Transport";
import { Trio } from "../desk/Trio";
import { useProofEngine } from "../desk/useProof";
import { useUndoKeys } from "../desk/useUndoKeys";
import { SceneForm } from "../workshop/SceneForm";
import { SlotForm } from "../workshop/SlotForm";
import { addScene, addSlot, canAddScene, canAddSlot, moveScene, removeScene, withScene, withSlot } from "../workshop/draftChanges";
import { useDraft } from "../workshop/useDraft";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, id } = await requireDesigner(request);
  return loadWorkshop(scope, id, slug, new URL(request.url).searchParams.get("brand") ?? "");
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, id } = await requireDesigner(request);
  const form = await request.formData();
  if (form.get("intent") === "remove") await removeTemplate(scope, slug);
  else await publishDraft(scope, id, slug);
  return redirect("/templates?shelf=own");
}

export default function TemplateWorkshop({ loaderData, params }: Route.ComponentProps) {
  return <Workshop key={params.slug} loaded={loaderData} />;
}

function Workshop({ loaded }: { loaded: Route.ComponentProps["loaderData"] }) {
  const { slug, edition, samples, hasProductPicture, brands, brand } = loaded;
  const { draft, save, change, undo, redo, canUndo, canRedo } = useDraft(slug, loaded);
  const [chosen, setChosen] = useState(draft.scenes[0]?.id ?? "");
  const [trial, setTrial] = useState<Trial>("usual words");
  const engine = useProofEngine();
  const live = useLive();
  useUndoKeys(undo, redo);
  const scene = draft.scenes.find(({ id }) => id === chosen) ?? draft.scenes[0];
  const shown = useMemo(() => shownDraft(loaded.facts, draft, slug, edition, trial, samples, hasProductPicture), [loaded.facts, draft, slug, edition, trial, samples, hasProductPicture]);
  useEffect(() => {
    if (shown) engine?.show(shown.document, shown.facts);
  }, [engine, shown]);
  const promotion = useMemo(() => (shown ? resolvePromotion(shown.document, shown.facts) : null), [shown]);

  function choose(id: string): void {
    setChosen(id);
    const span = promotion?.spans[draft.scenes.findIndex((one) => one.id === id)];
    if (span) engine?.seek(span.start + (span.end - span.start) * 0.6);
  }

  return (
    <main className="flex h-[calc(100vh-46px)] min-h-[560px] flex-col">
      <title>{`${draft.name} · Workshop · Stencilcraft`}</title>
      <div className="flex h-[58px] shrink-0 items-center gap-4 border-b border-rule bg-card px-5">
        <h1 className="sr-only">Template workshop</h1>
        <input value={draft.name} readOnly={!live} maxLength={60} aria-label="Name of the template" onChange={(event) => change((before) => ({ ...before, name: event.target.value || " " }))} className="w-[260px] border-b border-transparent bg-transparent font-heading text-[20px] font-semibold hover:border-rule focus:border-ink" />
        <select aria-label="What it is for" value={draft.purpose} onChange={(event) => change((before) => ({ ...before, purpose: PURPOSES.find((one) => one === event.target.value) ?? "other" }))} className={`${fieldLook} w-auto!`}>{PURPOSES.map((one) => <option key={one}>{one}</option>)}</select>
        <Saved state={save} />
        <span className="text-[13px] text-soft">{edition === 0 ? "not published yet" : `edition ${edition} is out`}</span>
        <div className="ml-auto flex items-center gap-3">
          <Button onClick={undo} disabled={!canUndo} aria-label="Undo" className="px-3"><Undo2 aria-hidden size={16} /> Undo</Button>
          <Button onClick={redo} disabled={!canRedo} aria-label="Redo" className="px-3"><Redo2 aria-hidden size={16} /></Button>
          <Form method="post"><Button look="main" type="submit" disabled={save !== "saved"}>{edition === 0 ? "Publish" : `Publish edition ${edition + 1}`}</Button></Form>
        </div>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(560px,620px)_minmax(0,1fr)]">
        <fieldset disabled={!live} className="flex min-h-0 min-w-0">
          <div className="flex w-[176px] shrink-0 flex-col border-r border-rule">
            <ol className="min-h-0 flex-1 overflow-y-auto" aria-label="Scenes">
              {draft.scenes.map(({ id, name, length }, index) => (
                <li key={id} className={`border-b border-l-4 border-b-rule ${id === scene?.id ? "border-l-accent bg-card" : "border-l-transparent"}`}>
                  <button type="button" aria-pressed={id === scene?.id} onClick={() => choose(id)} className="block w-full px-3 py-2.5 text-left"><span className="figures mr-2 text-soft">{index + 1}</span><span className="font-semibold">{name}</span><span className="figures block pl-5 text-[12px] text-soft">{length / 1000} s</span></button>
                  {id === scene?.id && (
                    <div className="flex gap-1 px-2 pb-2 pl-7">
                      <button type="button" aria-label="Move the scene earlier" disabled={index === 0} onClick={() => change((before) => moveScene(before, id, -1))} className="p-1 text-soft hover:text-ink disabled:opacity-30"><ArrowUp aria-hidden size={14} /></button>
                      <button type="button" aria-label="Move the scene later" disabled={index === draft.scenes.length - 1} onClick={() => change((before) => moveScene(before, id, 1))} className="p-1 text-soft hover:text-ink disabled:opacity-30"><ArrowDown aria-hidden size={14} /></button>
                      <button type="button" aria-label="Take the scene out" disabled={draft.scenes.length < 2} onClick={() => change((before) => removeScene(before, id))} className="p-1 text-soft hover:text-ink disabled:opacity-30"><Trash2 aria-hidden size={14} /></button>
                    </div>
                  )}
                </li>
              ))}
            </ol>
            <Button className="m-3" disabled={!canAddScene(draft)} onClick={() => change(addScene)}><Plus aria-hidden size={15} /> Add a scene</Button>
          </div>
          <div className="min-w-0 flex-1 overflow-y-auto px-4 py-3.5">
            {scene && shown && <SceneForm scene={scene} palette={shown.facts.brand.palette} onChange={(edit) => change((before) => withScene(before, scene.id, edit))} />}
            {scene && (
              <>
                <h2 className="mb-2 mt-5 text-[16px]">Slots</h2>
                <div className="flex flex-col gap-2.5">
                  {scene.slots.map((slot) => (
                    <SlotForm key={slot.id} slot={slot} onChange={(edit) => change((before) => withScene(before, scene.id, (one) => withSlot(one, slot.id, edit)))} onRemove={() => change((before) => withScene(before, scene.id, (one) => ({ ...one, slots: one.slots.filter(({ id }) => id !== slot.id) })))} />
                  ))}
                </div>
                <label className="mt-3 block text-[13px] text-soft">Add a slot
                  <select value="" disabled={!canAddSlot(scene)} onChange={(event) => event.target.value && change((before) => withScene(before, scene.id, (one) => addSlot(one, event.target.value as SlotKind)))} className={`${fieldLook} mt-1`}>
                    <option value="">choose its kind …</option><option value="words">Words</option><option value="media">Picture or clip</option><option value="offer">Offer</option><option value="products">List of products</option>
                  </select>
                </label>
              </>
            )}
            <Form method="post" className="mt-8 border-t border-rule pt-3"><button type="submit" name="intent" value="remove" className="text-[13px] text-soft underline hover:text-ink">Take this template out of the gallery</button></Form>
          </div>
        </fieldset>
        <div className="flex min-h-0 min-w-0 flex-col">
          <div className="flex items-center gap-4 border-b border-rule bg-card px-4 py-2 text-[13px]">
            <label className="flex items-center gap-2">Tried with<select value={trial} onChange={(event) => setTrial(TRIALS.find((one) => one === event.target.value) ?? "usual words")} className={`${fieldLook} w-auto! py-1!`}>{TRIALS.map((one) => <option key={one}>{one}</option>)}</select></label>
            <Form method="get" className="flex items-center gap-2" onChange={(event) => event.currentTarget.requestSubmit()}><label className="flex items-center gap-2">in<select name="brand" defaultValue={brand ?? ""} className={`${fieldLook} w-auto! py-1!`}>{brands.map(({ id, name }) => <option key={id} value={id}>{name}</option>)}</select></label></Form>
          </div>
          <div className="min-h-0 flex-1">{shown ? <Trio engine={engine} slug={slug} marked={null} onPick={(slot: SlotKey) => choose(slot.split(".")[0] ?? "")} /> : <p className="p-6 text-soft">Fill in your brand book first: proofs are shown in your colours and typefaces.</p>}</div>
        </div>
      </div>
      {promotion && <Transport engine={engine} scenes={draft.scenes} spans={promotion.spans} length={promotion.length} />}
    </main>
  );
}

/** The draft as a promotion, with facts in which it stands for the edition to come. */
function shownDraft(facts: Facts | null, draft: Route.ComponentProps["loaderData"]["draft"], slug: string, edition: number, trial: Trial, samples: Route.ComponentProps["loaderData"]["samples"], hasProductPicture: boolean) {
  if (!facts) return null;
  const ref = { slug, edition: edition + 1 };
  return { document: tryOut(draft, ref, facts.brand.id, facts.product?.id ?? null, trial, samples, hasProductPicture), facts: { ...facts, templates: { ...facts.templates, [templateKey(ref)]: draft } } };
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
