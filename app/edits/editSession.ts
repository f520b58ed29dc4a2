import { type Edit, inOne, sameTarget } from "../../core/document/edit";
import { type Overwritten, type Rebased, type Rules, overwritten, rebase } from "../../core/document/rebase";
import { type Refused, type SaveAnswer, type SavedDocument } from "./editServer";

/** After a pause of so long what waits is sent, */
const SAVE_AFTER_MS = 450;
/** and, where there is no pause, when it has waited for so long. */
const SAVE_WITHIN_MS = 2000;
const RETRY_AFTER_MS = 3000;
/** The server takes no more in one go. */
const MOST_AT_ONCE = 100;
/** Typing in one field within this time is one step of undo. */
const ONE_STEP_MS = 900;

export type SaveState = "saved" | "saving" | "offline" | { readonly problem: string };

/** What came of someone else's changes. */
export interface Merged<Document> extends Pick<Rebased<Document>, "document" | "dropped"> {
  readonly before: Document;
  /** Who saved them, where that is known. */
  readonly by: string | null;
  /** What this person had put in, and somebody put something else over. */
  readonly overwritten: readonly Overwritten[];
}

export interface EditListeners<Document> {
  readonly onSaved: (edits: readonly Edit[]) => void;
  readonly onMerged: (merged: Merged<Document>) => void;
  /** What could not be taken of this person's changes: the reasons. It is as it was before on screen too. */
  readonly onRefused: (problems: readonly string[]) => void;
  /** Whether this page has all that it takes to show a document. */
  readonly isShowable: (document: Document) => boolean;
  /** Loads the page again, where it can't show what others made of the document. */
  readonly onReload: () => void;
}

/** How a kind of document is edited, and where it is kept. */
export interface EditedDocument<Document> extends Rules<Document> {
  readonly send: (base: number, edits: readonly Edit[]) => Promise<SaveAnswer<Document>>;
  readonly newest: () => Promise<SavedDocument<Document> | null>;
}

export interface EditState<Document> {
  readonly document: Document;
  readonly save: SaveState;
  /** What the next undo and redo would take back and do again; null where there is nothing. */
  readonly undo: string | null;
  readonly redo: string | null;
}

/** A document that is edited in one window, and saved as it is. */
export interface EditSession<Document> {
  readonly state: () => EditState<Document>;
  readonly subscribe: (listener: () => void) => () => void;
  /** Who is told from now on what comes of the edits. */
  readonly tellTo: (listeners: EditListeners<Document>) => void;
  readonly apply: (edit: Edit) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Somebody saved a revision. */
  readonly heardOf: (revision: number, by: string | null) => void;
  /** Fetches what may have been missed. */
  readonly catchUp: () => void;
  /** Whether anything is only here. */
  readonly isWaiting: () => boolean;
  /** The newest revision that this goes on from. */
  readonly revision: () => number;
  /** Sends what waits, now: its page is left. It goes on when another is told of it. */
  readonly rest: () => void;
  /** Sends what waits, now: the browser leaves. Gives whether all is on its way. */
  readonly sendNow: () => boolean;
}

interface Step {
  readonly undo: Edit;
  readonly redo: Edit;
  /** What was sent of it last, or waits to be. */
  readonly queued: Edit;
  at: number;
}

/**
 * Opens a document for editing. Edits are applied at once and sent together after a pause; the server puts them on the
 * newest revision by path. What others save comes in as they save it, and what waits here is put on top of it.
 */
export function openEditSession<Document extends object>(
  edited: EditedDocument<Document>,
  loaded: SavedDocument<Document>,
): EditSession<Document> {
  const listeners = new Set<() => void>();
  let told: Partial<EditListeners<Document>> = {};
  const steps: { undo: Step[]; redo: Step[] } = { undo: [], redo: [] };
  /** The places that this person has written to since the page was opened. */
  const written = new Set<string>();
  let { document, revision } = loaded;
  /** The newest revision that was heard of, and who saved it. */
  let heard: { readonly revision: number; readonly by: string | null } = { revision, by: null };
  let waiting: Edit[] = [];
  let isSending = false;
  /** Whether sending waits for the person to do something about it. */
  let isHeld = false;
  let timer: ReturnType<typeof setTimeout> | null = null;
  /** When the first of what waits was done. */
  let waitingSince = 0;
  let isResting = false;
  let save: SaveState = "saved";
  let shown: EditState<Document> = { document, save, undo: null, redo: null };

  function tell(): void {
    shown = {
      document,
      save,
      undo: steps.undo.at(-1)?.undo.label ?? null,
      redo: steps.redo.at(-1)?.redo.label ?? null,
    };
    listeners.forEach((listener) => listener());
  }

  function sendLater(ms: number): void {
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(() => {
      timer = null;
      void send();
    }, ms);
  }

  /** Gives what will be sent. */
  function queue(edit: Edit): Edit {
    const last = waiting.at(-1);
    if (!last) waitingSince = Date.now();
    const joins = last !== undefined && sameTarget(last, edit);
    const queued = joins ? inOne(last, edit) : edit;
    waiting.splice(joins ? -1 : waiting.length, 1, queued);
    for (const { path } of edit.patch) written.add(path);
    save = "saving";
    const left = Math.max(0, waitingSince + SAVE_WITHIN_MS - Date.now());
    sendLater(edit.isUrgent === true ? 0 : Math.min(SAVE_AFTER_MS, left));
    return queued;
  }

  /** Shows a version from the server, with what waits here put on top of it. */
  function putUnder(version: Document): Rebased<Document> {
    const rebased = rebase(edited, version, waiting);
    waiting = [...rebased.kept];
    document = rebased.document;
    return rebased;
  }

  /** Goes on from a newer version that others had a part in. */
  function takeOver(theirs: SavedDocument<Document>, by: string | null): void {
    const before = document;
    if (told.isShowable?.(theirs.document) === false) {
      if (waiting.length === 0) told.onReload?.();
      else {
        isHeld = true;
        save = { problem: "not saved: the template was changed meanwhile. Load the page again to go on from there." };
      }
      return;
    }
    ({ revision } = theirs);
    const { document: after, dropped } = putUnder(theirs.document);
    told.onMerged?.({ by, before, document: after, dropped, overwritten: overwritten(before, after, written) });
  }

  /** Says what was not taken. There is no step of undo for it. */
  function takeBack(sent: readonly Edit[], refused: readonly (Refused | Rebased<Document>["dropped"][number])[]): void {
    const edits = new Set(refused.map((one) => ("index" in one ? sent[one.index] : one.edit)));
    steps.undo = steps.undo.filter(({ queued }) => !edits.has(queued));
    told.onRefused?.(refused.map(({ problem }) => problem));
  }

  // Asked anew after waiting: both may have changed meanwhile.
  const underWay = (): boolean => isSending;
  const held = (): boolean => isHeld;

  async function catchUp(): Promise<void> {
    if (isSending) return;
    const theirs = await edited.newest();
    // While this was fetched, something may have been sent.
    if (underWay() || !theirs || theirs.revision <= revision) return;
    takeOver(theirs, heard.revision === theirs.revision ? heard.by : null);
    tell();
  }
  /** Until it works: whoever was cut off has missed what was told meanwhile. */
  function tryCatchUp(): void {
    void catchUp().catch(() => {
      if (!isResting) setTimeout(tryCatchUp, RETRY_AFTER_MS);
    });
  }

  async function send(): Promise<void> {
    if (isSending || waiting.length === 0) return;
    isSending = true;
    isHeld = false;
    const edits = waiting.splice(0, MOST_AT_ONCE);
    save = "saving";
    tell();
    try {
      const answer = await edited.send(revision, edits);
      if (answer.kind === "not taken") {
        // Kept here and sent with the next change, once the person may.
        waiting = [...edits, ...waiting];
        isHeld = true;
        save = { problem: answer.problem };
      } else {
        const byOthers = answer.revision > revision + 1;
        if (answer.document && byOthers) takeOver({ document: answer.document, revision: answer.revision }, heard.by);
        const dropped = answer.document && !byOthers ? putUnder(answer.document).dropped : [];
        ({ revision } = answer);
        if (answer.refused.length > 0) takeBack(edits, [...answer.refused, ...dropped]);
        // What was changed while these were under way still waits.
        if (!held()) save = waiting.length > 0 ? "saving" : "saved";
        told.onSaved?.(edits.filter((_, index) => !answer.refused.some((one) => one.index === index)));
      }
    } catch {
      waiting = [...edits, ...waiting];
      save = "offline";
      sendLater(RETRY_AFTER_MS);
    } finally {
      isSending = false;
      if (waiting.length > 0 && timer === null && !isHeld) sendLater(SAVE_AFTER_MS);
      tell();
      if (heard.revision > revision) tryCatchUp();
    }
  }

  function apply(edit: Edit): void {
    const next = edited.apply(document, edit);
    const last = steps.undo.at(-1);
    const now = Date.now();
    const isAlike = last && last.redo.label === edit.label && sameTarget(last.redo, edit);
    const joins = isAlike && now - last.at < ONE_STEP_MS;
    const undo = joins ? last.undo : edited.inverse(document, edit);
    const redo = joins ? inOne(last.redo, edit) : edit;
    if (joins) steps.undo.pop();
    document = next;
    steps.undo.push({ undo, redo, queued: queue(edit), at: now });
    steps.redo = [];
    tell();
  }

  function move(from: "undo" | "redo"): void {
    const step = steps[from].pop();
    if (!step) return;
    const edit = step[from];
    try {
      document = edited.apply(document, edit);
      steps[from === "undo" ? "redo" : "undo"].push({ ...step, queued: queue(edit), at: 0 });
    } catch (error) {
      // Somebody took away what this stood in: there is nothing to go back to.
      told.onRefused?.([error instanceof Error ? error.message : String(error)]);
    }
    tell();
  }

  return {
    state: () => shown,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    tellTo(next) {
      told = next;
      isResting = false;
    },
    revision: () => revision,
    apply,
    undo: () => move("undo"),
    redo: () => move("redo"),
    heardOf(newer, by) {
      heard = { revision: newer, by };
      if (newer > revision) tryCatchUp();
    },
    catchUp: tryCatchUp,
    isWaiting: () => waiting.length > 0 || isSending,
    sendNow() {
      const isFirst = !isSending;
      void send();
      // What is under way still may have to be sent anew; what comes after it was not sent yet.
      return waiting.length === 0 && (isFirst || save === "saving");
    },
    rest() {
      isResting = true;
      if (timer !== null) clearTimeout(timer);
      timer = null;
      void send();
    },
  };
}
