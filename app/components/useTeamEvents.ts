import { useEffect, useEffectEvent } from "react";
import { type TeamEvent, readTeamEvent } from "../../core/team/teamEvent";

type Hear = (event: TeamEvent) => void;
interface Listener {
  readonly hear: Hear;
  /** From now on all is heard; what happened since the page was loaded, or since the stream was lost, was not. */
  readonly onHearing: () => void;
}

/** One stream for the whole page, open as long as anything on it listens. */
const listeners = new Set<Listener>();
let source: EventSource | null = null;
let isOpen = false;

const OPEN_AGAIN_MS = 3000;

function openStream(): EventSource {
  const opened = new EventSource("/events");
  opened.onopen = () => {
    isOpen = true;
    listeners.forEach(({ onHearing }) => onHearing());
  };
  // A stream that was cut is opened again by itself; one that was answered with a problem is not.
  opened.onerror = () => {
    if (source === opened) isOpen = false;
    if (opened.readyState !== EventSource.CLOSED) return;
    setTimeout(() => {
      if (source === opened) source = openStream();
    }, OPEN_AGAIN_MS);
  };
  opened.onmessage = ({ data }) => {
    const event = readTeamEvent(JSON.parse(String(data)));
    if (event) listeners.forEach(({ hear }) => hear(event));
  };
  return opened;
}

function listen(listener: Listener): () => void {
  listeners.add(listener);
  source ??= openStream();
  if (isOpen) listener.onHearing();
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    source?.close();
    source = null;
    isOpen = false;
  };
}

const nothing = (): void => undefined;

/**
 * Calls `onEvent` for what happens in the team while the page is open. `onHearing` is called whenever that begins, at first
 * and after the stream was lost: what the page shows may be older than that, and what it waits for may have happened.
 */
export function useTeamEvents(onEvent: Hear, onHearing: () => void = nothing): void {
  const hear = useEffectEvent(onEvent);
  const hearing = useEffectEvent(onHearing);
  useEffect(() => listen({ hear: (event) => hear(event), onHearing: () => hearing() }), []);
}
