import { useEffect, useEffectEvent, useMemo, useState } from "react";
import { useRevalidator } from "react-router";
import { toast } from "sonner";
import { designOf } from "../../core/document/design";
import { addFormat, removeFormat } from "../../core/document/edits";
import { templateKey } from "../../core/document/facts";
import { formatsInOrder } from "../../core/document/formatList";
import { mediaShown, newlyNamed, thingsNamed } from "../../core/document/named";
import { type Promotion } from "../../core/document/promotion";
import { isShowable } from "../../core/document/refs";
import { resolvePromotion } from "../../core/document/resolve";
import { inOrder } from "../../core/preflight/inOrder";
import { findingsInSound } from "../../core/preflight/soundFindings";
import { type FormatName } from "../../core/placement/formats";
import { SHIPPED_BY_REF } from "../../core/templates/shipped";
// Erased at run time: a page takes nothing from the server but what its loader gives.
import type { loadFillDesk } from "../../server/promotions/fillDesk";
import { useMayEdit } from "../components/useMayEdit";
import { factsById, useChosenMedia } from "../mediaChoice/useChosenMedia";
import { useChosenProducts } from "../productChoice/useChosenProducts";
import { tellMerged, tellRefused } from "../edits/tellMerged";
import { useEdits } from "../edits/useEdits";
import { type ChoosableTemplate } from "./choosableTemplate";
import { editedPromotion } from "./editedPromotion";
import { promotionInWords } from "./promotionPlaces";
import { useDrawn } from "./useDrawn";
import { useProofEngine, useProofState } from "./useProof";
import { useUndoKeys } from "./useUndoKeys";

export type LoadedDesk = Awaited<ReturnType<typeof loadFillDesk>>;

/** A template that can be filled: what ships is here, the team's own comes with the page. */
function choosable({ ref, template }: LoadedDesk["offered"][number]): ChoosableTemplate[] {
  const found = template ?? SHIPPED_BY_REF[templateKey(ref)];
  return found ? [{ ref, template: found }] : [];
}

/** Whatever a reviewer presses or drags, the promotion stays as it is. */
const tellReviewer = (): void => {
  toast("As a reviewer you look, and change nothing. An owner of your team can change that.", { id: "reviewer" });
};

/** What every desk of a promotion stands on: its document as it is edited, resolved, and shown by the proof engine. */
export function useDesk(loaded: LoadedDesk) {
  const { slug, onProduct } = loaded;
  const revalidator = useRevalidator();
  const offered = useMemo(() => loaded.offered.flatMap(choosable), [loaded.offered]);
  const templates = useMemo(
    () => ({
      ...SHIPPED_BY_REF,
      ...loaded.facts.templates,
      ...Object.fromEntries(offered.map(({ ref, template }) => [templateKey(ref), template])),
    }),
    [loaded.facts.templates, offered],
  );
  const [edited] = useState(() => editedPromotion(slug));
  const mayEdit = useMayEdit();
  const { session: own, state } = useEdits(edited, loaded, {
    onSaved: (edits) => {
      if (edits.some(({ isUrgent }) => isUrgent)) void revalidator.revalidate();
    },
    onMerged: (merged) => {
      const { scenes } = designOf(merged.document, templates);
      tellMerged(merged, promotionInWords(merged.before, scenes), own.apply);
      if (newlyNamed(merged.before, merged.document).length > 0) void revalidator.revalidate();
    },
    onRefused: tellRefused,
    isShowable: (shown) => isShowable(shown, templates),
  });
  const session = useMemo(() => (mayEdit ? own : { ...own, apply: tellReviewer }), [own, mayEdit]);
  useUndoKeys(session.undo, session.redo);
  const engine = useProofEngine(slug);
  const {
    document,
    prepared,
    findings: inProofs,
  } = useDrawn({
    document: state.document,
    prepared: useProofState(engine, (now) => now.prepared),
    findings: useProofState(engine, (now) => now.findings),
  });
  const measured = useProofState(engine, (now) => (now.listening.alone === null ? now.measured : null));
  /** The document as it would be, while something is dragged. */
  const [dragged, setDragged] = useState<Promotion | null>(null);

  const named = thingsNamed(document).filter(({ kind }) => kind === "product");
  const { products, learn: learnProduct } = useChosenProducts(
    named.map(({ id }) => id),
    loaded.facts.products,
  );
  const product = products[document.product ?? ""] ?? null;
  const shown = [...mediaShown(document), ...(product?.picture ? [product.picture] : [])];
  const { media, learn } = useChosenMedia(
    shown.filter((id) => !(id in loaded.facts.media)),
    loaded.media,
  );
  const facts = useMemo(() => {
    const offer = document.offer ? onProduct[document.offer] : undefined;
    return {
      ...loaded.facts,
      media: { ...factsById(media), ...loaded.facts.media },
      templates,
      products,
      product,
      offer: offer?.lines ?? null,
      standing: {
        ...loaded.facts.standing,
        rights: {
          ...loaded.facts.standing.rights,
          ...Object.fromEntries(Object.values(media).map(({ facts: one, rights }) => [one.id, rights])),
        },
        offer: offer?.standing ?? null,
      },
    };
  }, [loaded.facts, onProduct, templates, products, product, media, document.offer]);
  const promotion = useMemo(() => resolvePromotion(document, facts), [document, facts]);
  const findings = useMemo(() => {
    const inSound = measured ? findingsInSound({ document, promotion, measured }) : [];
    return inSound.length === 0 ? inProofs : inOrder([...inProofs, ...inSound], promotion);
  }, [inProofs, measured, document, promotion]);
  useEffect(() => engine?.show(dragged ?? state.document, facts), [engine, state.document, dragged, facts]);
  // What is typed is told to the worker at once, which prepares it while this page is still rendering its fields.
  const showAtOnce = useEffectEvent((): void => engine?.show(session.state().document, facts));
  useEffect(() => session.subscribe(() => showAtOnce()), [session]);
  // The same list while somebody types: proofs are hung anew only when it changes.
  const formats = useMemo(() => formatsInOrder({ formats: document.formats }), [document.formats]);
  const chooseFormats = (chosen: readonly FormatName[]): void => {
    for (const format of chosen) if (!formats.includes(format)) session.apply(addFormat(document, format));
    for (const format of formats) if (!chosen.includes(format)) session.apply(removeFormat(format));
  };

  return {
    session,
    state,
    document,
    templates,
    offered,
    facts,
    promotion,
    media,
    onChosen: learn,
    products,
    onChosenProduct: learnProduct,
    formats,
    engine,
    prepared,
    findings,
    onDragged: setDragged,
    onFormats: chooseFormats,
  };
}
