import { useCallback, useEffect, useRef, useState } from "react";
import { array, mixed, number, object, string } from "yup";
import { type Edit, applyEdit, inverseOf, sameTarget } from "../../core/document/edits";
import { newlyNamed } from "../../core/document/named";
import { type Promotion, readPromotion } from "../../core/document/promotion";
import { type Overwritten, type Rebased, overwritten, rebase } from "../../core/document/rebase";
import { type SlotKey } from "../../core/document/template";
import { useTeamEvents } from "../components/useTeamEvents";

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
  refused: array(object({ index: number().integer().required(), problem: string().required() })).default([]),
});
const newest = object({ revision: number().integer().required(), document: mixed().required() });

/** What came of someone else's changes. */
export interface Merged extends Pick<Rebased, "document" | "dropped"> {
  /** Who saved them, where that is known. */
  readonly by: string | null;
  /** Whether changes of this page were waiting, and now stand on top. */
  readonly onTop: boolean;
  /** What this person had put in, and somebody put something else over. */
  readonly overwritten: readonly Overwritten[];
  /** Whether the promotion names something now that it did not name here before. */
  readonly namesMore: boolean;
}

interface Listeners {
  readonly onSaved: (edits: readonly Edit[]) => void;
  readonly onMerged: (merged: Merged, onEdit: (edit: Edit) => void) => void;
  /** What could not be taken of this person's changes: the reasons. It is as it was before on screen too. */
  readonly onRefused: (problems: readonly string[]) => void;
  /** Whether this page has the templates that a document is made with. */
  readonly isShowable: (document: Promotion) => boolean;
}

/**
 * A promotion document that is edited and saved as you go. Edits are applied at once, sent together after a pause with the
 * revision they were made on, and put on top of a newer version when someone else has saved. Their changes come in as
 * they are saved.
 */
export function useDocument(slug: string, loaded: { document: Promotion; revision: number }, listeners: Listeners) {
  const [document, setDocument] = useState(loaded.document);
  const [save, setSave] = useState<SaveState>("saved");
  const [steps, setSteps] = useState({ undo: 0, redo: 0 });
  const live = useRef({
    document: loaded.document,
    revision: loaded.revision,
    /** The newest revision that was heard of, and who saved it. */
    heard: { revision: loaded.revision, by: null as string | null },
    /** The slots that this person has filled since the page was opened. */
    filled: new Set<SlotKey>(),
    waiting: [] as Edit[],
    sending: false,
    held: false,
    timer: 0,
    undo: [] as Step[],
    redo: [] as Step[],
    send: (): Promise<void> => Promise.resolve(),
  });
  const told = useRef(listeners);
  useEffect(() => {
    told.current = listeners;
  }, [listeners]);

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
      if (edit.kind === "fill") state.filled.add(edit.slot);
      put(next);
      queue(edit);
    },
    [put, queue],
  );

  /** Shows a version from the server, with what waits here put on top of it. */
  const putUnder = useCallback(
    (version: Promotion): Rebased => {
      const rebased = rebase(version, live.current.waiting);
      live.current.waiting = [...rebased.kept];
      put(rebased.document);
      return rebased;
    },
    [put],
  );

  /** Goes on from a newer version, with what waits here put on top of it. */
  const takeOver = useCallback(
    (theirs: Promotion, revision: number, by: string | null) => {
      const state = live.current;
      const before = state.document;
      if (!told.current.isShowable(theirs)) {
        if (state.waiting.length === 0) window.location.reload();
        else {
          state.held = true;
          setSave({
            problem: "not saved: the template was changed meanwhile. Load the page again to go on from there.",
          });
        }
        return;
      }
      state.revision = revision;
      const { document: after, kept, dropped } = putUnder(theirs);
      const merged = {
        by,
        document: after,
        dropped,
        onTop: kept.length > 0,
        overwritten: overwritten(before, after, state.filled),
        namesMore: newlyNamed(before, after).length > 0,
      };
      told.current.onMerged(merged, apply);
    },
    [putUnder, apply],
  );

  /** Shows what was saved without the edits that were not taken, and says why. There is no step of undo for them. */
  const takeBack = useCallback(
    (sent: readonly Edit[], refused: readonly { index: number; problem: string }[], saved: Promotion) => {
      const state = live.current;
      const edits = new Set(refused.map(({ index }) => sent[index]));
      state.undo = state.undo.filter(({ redo }) => !edits.has(redo));
      const { dropped } = putUnder(saved);
      told.current.onRefused([...refused, ...dropped].map(({ problem }) => problem));
    },
    [putUnder],
  );

  /** Fetches the newest version unless what is here is it, or is just being sent: the answer to that says it too. */
  const catchUp = useCallback(async (): Promise<void> => {
    const state = live.current;
    if (state.sending) return;
    const response = await fetch(`/promotions/${slug}/edits`);
    if (!response.ok || response.redirected) return;
    const { revision, document: theirs } = newest.validateSync(await response.json());
    // While this was fetched, something may have been sent.
    if (live.current.sending || revision <= state.revision) return;
    takeOver(readPromotion(theirs), revision, state.heard.revision === revision ? state.heard.by : null);
  }, [slug, takeOver]);
  const catchUpIfBehind = useCallback(() => {
    const state = live.current;
    if (state.heard.revision > state.revision) void catchUp().catch(() => undefined);
  }, [catchUp]);
  useTeamEvents(
    (event) => {
      if (event.topic !== "promotion" || event.slug !== slug) return;
      live.current.heard = event;
      catchUpIfBehind();
    },
    () => void catchUp().catch(() => undefined),
  );

  const send = useCallback(async (): Promise<void> => {
    const state = live.current;
    if (state.sending || state.waiting.length === 0) return;
    state.sending = true;
    state.held = false;
    const edits = state.waiting.splice(0);
    /** What was not taken waits again, in front of what has come since. */
    const giveBack = (): void => {
      state.waiting = [...edits.splice(0), ...state.waiting];
    };
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
        giveBack();
        state.held = true;
        setSave({
          problem: response.redirected
            ? "not saved: you were signed out. Sign in again in another tab, then go on here."
            : "not saved: as a reviewer you can look, but not change.",
        });
      } else if (response.status === 422) setSave({ problem: problemOf(body) });
      else if (response.ok || response.status === 409) {
        const { kind, revision, refused } = answer.validateSync(body);
        if (kind === "saved") {
          state.revision = revision;
          if (refused.length > 0) takeBack(edits, refused, readPromotion(newest.validateSync(body).document));
          // What was changed while these were under way still waits.
          setSave(state.waiting.length > 0 ? "saving" : "saved");
          told.current.onSaved(edits.filter((_, index) => !refused.some((one) => one.index === index)));
        } else {
          const { document: theirs } = newest.validateSync(body);
          giveBack();
          takeOver(readPromotion(theirs), revision, state.heard.by);
        }
      } else throw new Error(`The server answered ${response.status}.`);
    } catch {
      giveBack();
      setSave("offline");
      sendLater(RETRY_AFTER_MS);
    } finally {
      state.sending = false;
      if (state.waiting.length > 0 && state.timer === 0 && !state.held) sendLater(SAVE_AFTER_MS);
      catchUpIfBehind();
    }
  }, [slug, takeOver, takeBack, catchUpIfBehind, sendLater]);
  useEffect(() => {
    live.current.send = send;
  }, [send]);

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
