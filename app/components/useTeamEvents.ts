import { useEffect, useEffectEvent } from "react";
import { type TeamEvent, readTeamEvent } from "../../core/team/teamEvent";

type Hear = (event: TeamEvent) => void;
interface Listener {
  readonly hear: Hear;
  /** The stream was lost and is back: what happened meanwhile was not heard. */
  readonly onBack: () => void;
}

/** One stream for the whole page, open as long as anything on it listens. */
const listeners = new Set<Listener>();
let source: EventSource | null = null;

const OPEN_AGAIN_MS = 3000;

/** @param wasOpen whether there was a stream before, which has missed something since */
function openStream(wasOpen = false): EventSource {
  const opened = new EventSource("/events");
  let isBack = wasOpen;
  opened.onopen = () => {
    if (isBack) listeners.forEach(({ onBack }) => onBack());
    isBack = true;
  };
  // A stream that was cut is opened again by itself; one that was answered with a problem is not.
  opened.onerror = () => {
    if (opened.readyState !== EventSource.CLOSED) return;
    setTimeout(() => {
      if (source === opened) source = openStream(isBack);
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
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    source?.close();
    source = null;
  };
}

const nothing = (): void => undefined;

/**
 * Calls `onEvent` for what happens in the team while the page is open, and `onBack` when the stream was lost and is there
 * again, so that what was missed can be asked for.
 */
export function useTeamEvents(onEvent: Hear, onBack: () => void = nothing): void {
  const hear = useEffectEvent(onEvent);
  const back = useEffectEvent(onBack);
  useEffect(() => listen({ hear: (event) => hear(event), onBack: () => back() }), []);
}
