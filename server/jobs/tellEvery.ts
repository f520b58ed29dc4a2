import { log } from "../log";

const TELL_EVERY_MS = 250;

/** Tells again and again how far work is, until it is cleared. Where that fails once, the next time may not. */
export const tellEvery = (tell: () => Promise<void>): NodeJS.Timeout =>
  setInterval(
    () => void tell().catch((error: unknown) => log.warn({ error: String(error) }, "progress was not told")),
    TELL_EVERY_MS,
  );
