import { type EditSession } from "./editSession";

/** The session of the document that was edited last. */
let kept: { readonly key: string; readonly session: Saving } | null = null;
/** What is asked of a session whatever it edits. */
type Saving = Pick<EditSession<unknown>, "isWaiting" | "rest" | "subscribe">;

/**
 * The session of a document that goes on from page to page, so that what waits to be saved and what can be undone is not
 * lost on the way from one desk to the next. One that somebody else has gone on from meanwhile gives way to a new one.
 *
 * @param key of the document; one key always stands for one kind of document
 * @param revision of the document that the page was loaded with
 */
export function keptSession<Document>(
  key: string,
  revision: number,
  open: () => EditSession<Document>,
): EditSession<Document> {
  // On the server every request has a session of its own.
  if (typeof window === "undefined") return open();
  // By its key it is a session of this kind of document.
  const known = kept?.key === key ? (kept.session as EditSession<Document>) : null;
  if (known && (known.isWaiting() || known.revision() >= revision)) return known;
  const session = open();
  kept = { key, session };
  return session;
}

const LONGEST_WAIT_MS = 10_000;

/**
 * Resolves when all that was changed of a document is saved: what waits is sent now. Gives whether it is; it is not where
 * the server can't be reached for ten seconds, or does not take it.
 */
export async function allSaved(key: string): Promise<boolean> {
  const session = kept?.key === key ? kept.session : null;
  if (!session?.isWaiting()) return true;
  session.rest();
  return new Promise((resolve) => {
    const end = (isSaved: boolean): void => {
      clearTimeout(timer);
      stop();
      resolve(isSaved);
    };
    const timer = setTimeout(() => end(false), LONGEST_WAIT_MS);
    const stop = session.subscribe(() => {
      if (!session.isWaiting()) end(true);
    });
  });
}
