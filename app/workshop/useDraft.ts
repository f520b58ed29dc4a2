import { useCallback, useEffect, useRef, useState } from "react";
import { number, object, string } from "yup";
import { type Template } from "../../core/document/template";
import { type SaveState } from "../edits/editSession";

const SAVE_AFTER_MS = 500;
const MOST_STEPS = 100;
/** Changes of the same thing within this time are one step of undo. */
const ONE_STEP_MS = 900;

const answer = object({ kind: string(), revision: number(), problem: string() });

/** A template draft that is changed and saved as you go, with undo. Changes are whole documents: drafts are small. */
export function useDraft(slug: string, loaded: { readonly draft: Template; readonly revision: number }) {
  const [draft, setDraft] = useState(loaded.draft);
  const [save, setSave] = useState<SaveState>("saved");
  const [steps, setSteps] = useState({ undo: 0, redo: 0 });
  const live = useRef({
    draft: loaded.draft,
    revision: loaded.revision,
    undo: [] as Template[],
    redo: [] as Template[],
    timer: 0,
    sending: false,
    waiting: false,
    last: { what: undefined as string | undefined, at: 0 },
    send: (): Promise<void> => Promise.resolve(),
  });

  const send = useCallback(async (): Promise<void> => {
    const state = live.current;
    if (state.sending) {
      state.waiting = true;
      return;
    }
    state.sending = true;
    state.waiting = false;
    const sent = state.draft;
    try {
      const response = await fetch(`/templates/${slug}/draft`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ base: state.revision, draft: sent }),
      });
      const { kind, revision, problem } = answer.validateSync(await response.json().catch(() => ({})));
      if (kind === "saved" && revision !== undefined) {
        state.revision = revision;
        // What was changed while this was under way still waits.
        setSave(state.draft === sent ? "saved" : "saving");
      } else if (response.status === 409)
        setSave({
          problem: "not saved: somebody else has changed this template. Load the page again to go on from theirs.",
        });
      else setSave({ problem: problem ?? "The change was not taken." });
    } catch {
      setSave("offline");
      state.timer = window.setTimeout(() => void state.send(), 3000);
    } finally {
      state.sending = false;
      // Another change may have come while this was under way.
      if (live.current.waiting) void live.current.send();
    }
  }, [slug]);
  useEffect(() => {
    live.current.send = send;
  }, [send]);

  const put = useCallback(
    (next: Template) => {
      const state = live.current;
      state.draft = next;
      setDraft(next);
      setSteps({ undo: state.undo.length, redo: state.redo.length });
      setSave("saving");
      window.clearTimeout(state.timer);
      state.timer = window.setTimeout(() => void send(), SAVE_AFTER_MS);
    },
    [send],
  );

  /** @param what names the thing that is changed, where changing it again soon after is to be one step with this */
  const change = useCallback(
    (edit: (before: Template) => Template, what?: string) => {
      const state = live.current;
      const next = edit(state.draft);
      const now = Date.now();
      const joins =
        what !== undefined && what === state.last.what && now - state.last.at < ONE_STEP_MS && state.undo.length > 0;
      if (!joins) state.undo = [...state.undo.slice(1 - MOST_STEPS), state.draft];
      state.last = { what, at: now };
      state.redo = [];
      put(next);
    },
    [put],
  );

  const move = useCallback(
    (from: "undo" | "redo") => {
      const state = live.current;
      const next = state[from].pop();
      if (!next) return;
      state.last = { what: undefined, at: 0 };
      state[from === "undo" ? "redo" : "undo"].push(state.draft);
      put(next);
    },
    [put],
  );

  useEffect(() => {
    const leaving = (event: BeforeUnloadEvent): void => {
      // Offline, or not taken: what is here is nowhere else.
      if (save !== "saved") event.preventDefault();
    };
    window.addEventListener("beforeunload", leaving);
    return () => window.removeEventListener("beforeunload", leaving);
  }, [save]);

  return {
    draft,
    save,
    change,
    undo: () => move("undo"),
    redo: () => move("redo"),
    canUndo: steps.undo > 0,
    canRedo: steps.redo > 0,
  };
}
