import { useEffect, useEffectEvent, useState, useSyncExternalStore } from "react";
import { useTeamEvents } from "../components/useTeamEvents";
import { type TeamEvent } from "../../core/team/teamEvent";
import { type SavedDocument } from "./editServer";
import { type KeptSessions } from "./keptSession";
import { type EditedDocument, type EditListeners, type EditSession, openEditSession } from "./editSession";

/** A kind of document on a page: how it is edited, and which of the team's events tell that somebody saved it. */
export interface EditedOnPage<Document> extends EditedDocument<Document> {
  /** Where its session goes on from page to page, and what it is called there; null where each page has its own. */
  readonly kept: { readonly among: KeptSessions<Document>; readonly key: string } | null;
  readonly revisionIn: (event: TeamEvent) => { readonly revision: number; readonly by: string | null } | null;
}

/** A document that is edited and saved as you go, with undo; what others do to it comes in as they save it. */
export function useEdits<Document extends object>(
  edited: EditedOnPage<Document>,
  loaded: SavedDocument<Document>,
  listeners: Omit<EditListeners<Document>, "onReload">,
): { readonly session: EditSession<Document>; readonly state: ReturnType<EditSession<Document>["state"]> } {
  const [session] = useState(() => {
    const open = (): EditSession<Document> => openEditSession(edited, loaded);
    return edited.kept ? edited.kept.among.session(edited.kept.key, loaded.revision, open) : open();
  });
  useEffect(() => session.tellTo({ ...listeners, onReload }), [session, listeners]);
  const state = useSyncExternalStore(session.subscribe, session.state, session.state);
  useTeamEvents(
    (event) => {
      const saved = edited.revisionIn(event);
      if (saved) session.heardOf(saved.revision, saved.by);
    },
    () => session.catchUp(),
  );
  const leaving = useEffectEvent((event: BeforeUnloadEvent): void => {
    if (session.isWaiting() && !session.sendNow()) event.preventDefault();
  });
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => leaving(event);
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("beforeunload", ask);
      session.rest();
    };
  }, [session]);
  return { session, state };
}

const onReload = (): void => window.location.reload();
