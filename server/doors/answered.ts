import { AsyncLocalStorage } from "node:async_hooks";
import { Refusal } from "../../core/refusal";
import { isDatabaseAway } from "../db/away";
import { NO_ROOM, isStorageFull } from "../storage/full";
import { addressProblem } from "./addresses";

/** What went wrong while a request was answered. */
const failures = new AsyncLocalStorage<{ error: unknown }>();

/** To be told of each error that no route has caught. */
export function noteFailure(error: unknown): void {
  const noted = failures.getStore();
  if (noted) noted.error = error;
}

/**
 * Has every request answered in words: an address that can't be looked for is refused, and what failed for a reason that
 * passes, or that the person can mend, is said as such rather than as a fault of ours. Throws such an answer.
 */
export async function answered(request: Request, next: () => Promise<Response>): Promise<Response> {
  const problem = addressProblem(new URL(request.url));
  if (problem) throw new Response(problem, { status: 400 });
  return failures.run({ error: null }, async () => {
    const response = await next();
    if (response.status < 500) return response;
    throw inWords(failures.getStore()?.error) ?? response;
  });
}

function inWords(error: unknown): Response | null {
  if (isDatabaseAway(error))
    return new Response("The database is starting again. Wait a moment; nothing you saved is lost.", { status: 503 });
  if (isStorageFull(error)) return new Response(`${NO_ROOM} Tell whoever runs Stencilcraft.`, { status: 507 });
  return error instanceof Refusal ? new Response(error.message, { status: 422 }) : null;
}
