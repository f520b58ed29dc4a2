import { useEffect, useEffectEvent } from "react";
import { number, object, string } from "yup";

const schema = object({
  topic: string().required(),
  id: string().required(),
  state: string().required(),
  progress: number().required(),
});
export interface TeamEventMessage {
  readonly topic: string;
  readonly id: string;
  readonly state: string;
  readonly progress: number;
}

/** Calls `onEvent` for what happens in the team while the page is open. */
export function useTeamEvents(onEvent: (event: TeamEventMessage) => void): void {
  const hear = useEffectEvent(onEvent);
  useEffect(() => {
    const source = new EventSource("/events");
    source.onmessage = ({ data }) => {
      const parsed: unknown = JSON.parse(String(data));
      if (schema.isValidSync(parsed)) hear(parsed);
    };
    return () => source.close();
  }, []);
}
