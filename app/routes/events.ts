import { requirePerson } from "../../server/auth/sessions";
import { onTeamEvent } from "../../server/events/teamEvents";
import type { Route } from "./+types/events";

const KEEP_ALIVE_MS = 20_000;

/** What happens in the team, as server-sent events. */
export async function loader({ request }: Route.LoaderArgs) {
  const { team } = await requirePerson(request);
  const encode = new TextEncoder();
  let close = (): void => undefined;
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string): void => controller.enqueue(encode.encode(text));
      const off = onTeamEvent(team.id, (event) => send(`data: ${JSON.stringify(event)}\n\n`));
      const alive = setInterval(() => send(": still here\n\n"), KEEP_ALIVE_MS);
      send(": listening\n\n");
      close = () => {
        off();
        clearInterval(alive);
      };
      request.signal.addEventListener("abort", () => close());
    },
    cancel: () => close(),
  });
  return new Response(body, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-store", "x-accel-buffering": "no" },
  });
}
