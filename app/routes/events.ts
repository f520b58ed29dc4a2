import { requirePerson } from "../../server/auth/sessions";
import { isListening, onTeamEvent } from "../../server/events/teamEvents";
import type { Route } from "./+types/events";

const KEEP_ALIVE_MS = 20_000;

/** What happens in the team, as server-sent events. */
export async function loader({ request }: Route.LoaderArgs) {
  const { team, session } = await requirePerson(request);
  const encode = new TextEncoder();
  let close = (): void => undefined;
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string): void => controller.enqueue(encode.encode(text));
      // A page whose stream ends opens it again, and then asks for what it has missed.
      const end = (): void => {
        close();
        controller.close();
      };
      const off = onTeamEvent(
        team.id,
        (event) => {
          if (event.topic !== "session-ended") send(`data: ${JSON.stringify(event)}\n\n`);
          else if (event.session === session) end();
        },
        end,
      );
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
  // The page asks for what it has missed when the stream is open: from then on it must miss nothing.
  await isListening();
  return new Response(body, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-store", "x-accel-buffering": "no" },
  });
}
