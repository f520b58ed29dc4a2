import { type NextFunction, type Request, type Response } from "express";

type Listener = (...args: unknown[]) => void;

/**
 * Lets go of who waits for a compressed answer to drain. `compression` hands such listeners on to its own stream, but
 * leaves them there when they are taken off the response: each wait added one, until Node warned of a leak. Stands after it.
 */
export function freeDrains(_: Request, response: Response, next: NextFunction): void {
  const emitter: NodeJS.EventEmitter = response;
  const on = emitter.on.bind(emitter);
  const off = emitter.removeListener.bind(emitter);
  let stream = emitter;
  function add(type: string | symbol, listener: Listener): Response {
    const target = on(type, listener);
    if (type === "drain") stream = target;
    return response;
  }
  function remove(type: string | symbol, listener: Listener): Response {
    if (type === "drain" && stream !== emitter) stream.removeListener(type, listener);
    off(type, listener);
    return response;
  }
  Object.assign(response, { on: add, removeListener: remove, off: remove });
  next();
}
