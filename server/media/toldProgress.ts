import { log } from "../log";

const TELL_EVERY_MS = 300;

/** Tells how far work has come, 0…1, now and then; that it could not be told does not stop it. */
export function toldProgress(tell: (share: number) => Promise<void>): (share: number) => void {
  let told = Date.now();
  return (share) => {
    if (Date.now() - told < TELL_EVERY_MS) return;
    told = Date.now();
    tell(share).catch((error: unknown) => log.warn({ error }, "progress was not told"));
  };
}
