import { type EditSession } from "./editSession";

/** Sessions of one kind of document that go on from page to page. */
export interface KeptSessions<Document> {
  /**
   * The session of a document that goes on from page to page, so that what waits to be saved and what can be undone is not
   * lost on the way from one desk to the next. One that somebody else has gone on from meanwhile gives way to a new one.
   *
   * @param key of the document
   * @param revision of the document that the page was loaded with
   */
  readonly session: (key: string, revision: number, open: () => EditSession<Document>) => EditSession<Document>;
  /**
   * Resolves when all that was changed of a document is saved: what waits is sent now. Gives whether it is; it is not where
   * the server can't be reached for ten seconds, or does not take it.
   */
  readonly allSaved: (key: string) => Promise<boolean>;
}

const LONGEST_WAIT_MS = 10_000;

/** Keeps the session of the document that was edited last. */
export function openKeptSessions<Document>(): KeptSessions<Document> {
  let kept: { readonly key: string; readonly session: EditSession<Document> } | null = null;
  return {
    session(key, revision, open) {
      // On the server every request has a session of its own.
      if (typeof window === "undefined") return open();
      const known = kept?.key === key ? kept.session : null;
      if (known && (known.isWaiting() || known.revision() >= revision)) return known;
      const session = open();
      kept = { key, session };
      return session;
    },
    async allSaved(key) {
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
    },
  };
}
