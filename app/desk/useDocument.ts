import { useCallback, useEffect, useRef, useState } from "react";
import { type Edit, applyEdit, inverseOf, sameTarget } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { number, object, string } from "yup";
import { readPromotion } from "../../core/document/promotion";

const SAVE_AFTER_MS = 450;
const RETRY_AFTER_MS = 3000;
/** Typing in one field within this time is one step of undo. */
const ONE_STEP_MS = 900;

export type SaveState = "saved" | "saving" | "offline" | { readonly problem: string };

interface Step {
  readonly undo: Edit;
  redo: Edit;
  at: number;
}

const answer = object({
  kind: string()
    .oneOf(["saved", "conflict"] as const)
    .required(),
  revision: number().integer().required(),
});

/**
 * A promotion document that is edited and saved as you go. Edits are applied at once, sent together after a pause with the
 * revision they were made on, and put on top of a newer version when someone else has saved meanwhile.
 */
export function useDocument(
  slug: string,
  loaded: { document: Promotion; revision: number },
  onSaved: (edits: readonly Edit[]) => void,
) {
  const [document, setDocument] = useState(loaded.document);
  const [save, setSave] = useState<SaveState>("saved");
  const [steps, setSteps] = useState({ undo: 0, redo: 0 });
  const [merged, setMerged] = useState(false);
  const live = useRef({
    document: loaded.document,
    revision: loaded.revision,
    waiting: [] as Edit[],
    sending: false,
    held: false,
    timer: 0,
    undo: [] as Step[],
    redo: [] as Step[],
    send: (): Promise<void> => Promise.resolve(),
  });
  const saved = useRef(onSaved);
  useEffect(() => {
    saved.current = onSaved;
  }, [onSaved]);

  const put = useCallback((next: Promotion) => {
    live.current.document = next;
    setDocument(next);
    setSteps({ undo: live.current.undo.length, redo: live.current.redo.length });
  }, []);

  const sendLater = useCallback((ms: number): void => {
    const state = live.current;
    window.clearTimeout(state.timer);
    state.timer = window.setTimeout(() => {
      state.timer = 0;
      void state.send();
    }, ms);
  }, []);

  const send = useCallback(async (): Promise<void> => {
    const state = live.current;
    if (state.sending || state.waiting.length === 0) return;
    state.sending = true;
    state.held = false;
    const edits = state.waiting.splice(0);
    setSave("saving");
    try {
      const response = await fetch(`/promotions/${slug}/edits`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ base: state.revision, edits }),
      });
      const body: unknown = await response.json().catch(() => null);
      if (response.redirected || response.status === 403) {
        // Kept here and sent with the next change, once the person may.
        state.waiting = [...edits, ...state.waiting];
        state.held = true;
        setSave({
          problem: response.redirected
            ? "not saved: you were signed out. Sign in again in another tab, then go on here."
            : "not saved: as a reviewer you can look, but not change.",
        });
      } else if (response.status === 422) setSave({ problem: problemOf(body) });
      else if (response.ok || response.status === 409) {
        const { kind, revision } = answer.validateSync(body);
        state.revision = revision;
        if (kind === "saved") {
          // What was changed while these were under way still waits.
          setSave(state.waiting.length > 0 ? "saving" : "saved");
          saved.current(edits);
        } else {
          const theirs = readPromotion((body as { document: unknown }).document);
          state.waiting = [...edits, ...state.waiting];
          put(state.waiting.reduce(applyEdit, theirs));
          setMerged(true);
        }
      } else throw new Error(`The server answered ${response.status}.`);
    } catch {
      state.waiting = [...edits, ...state.waiting];
      setSave("offline");
      sendLater(RETRY_AFTER_MS);
    } finally {
      state.sending = false;
      if (state.waiting.length > 0 && state.timer === 0 && !state.held) sendLater(SAVE_AFTER_MS);
    }
  }, [slug, put, sendLater]);
  useEffect(() => {
    live.current.send = send;
  }, [send]);

  const queue = useCallback(
    (edit: Edit) => {
      const state = live.current;
      const last = state.waiting.at(-1);
      if (last && sameTarget(last, edit)) state.waiting[state.waiting.length - 1] = edit;
      else state.waiting.push(edit);
      setSave("saving");
      sendLater(edit.kind === "choose" ? 0 : SAVE_AFTER_MS);
    },
    [sendLater],
  );

  const apply = useCallback(
    (edit: Edit) => {
      const state = live.current;
      const next = applyEdit(state.document, edit);
      const last = state.undo.at(-1);
      const now = Date.now();
      if (last && sameTarget(last.undo, edit) && now - last.at < ONE_STEP_MS)
        Object.assign(last, { redo: edit, at: now });
      else state.undo.push({ undo: inverseOf(state.document, edit), redo: edit, at: now });
      state.redo = [];
      put(next);
      queue(edit);
    },
    [put, queue],
  );

  const move = useCallback(
    (from: "undo" | "redo") => {
      const state = live.current;
      const step = state[from].pop();
      if (!step) return;
      state[from === "undo" ? "redo" : "undo"].push({ ...step, at: 0 });
      const edit = step[from];
      put(applyEdit(state.document, edit));
      queue(edit);
    },
    [put, queue],
  );

  useEffect(() => {
    const state = live.current;
    const leaving = (event: BeforeUnloadEvent): void => {
      if (state.waiting.length > 0 || state.sending) event.preventDefault();
    };
    window.addEventListener("beforeunload", leaving);
    return () => {
      window.removeEventListener("beforeunload", leaving);
      window.clearTimeout(state.timer);
      void send();
    };
  }, [send]);

  return {
    document,
    save,
    merged,
    apply,
    undo: () => move("undo"),
    redo: () => move("redo"),
    canUndo: steps.undo > 0,
    canRedo: steps.redo > 0,
  };
}

function problemOf(body: unknown): string {
  return typeof body === "object" && body !== null && "problem" in body && typeof body.problem === "string"
    ? body.problem
    : "The change was not taken.";
}
