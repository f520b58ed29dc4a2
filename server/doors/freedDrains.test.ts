import { EventEmitter, once } from "node:events";
import { type AddressInfo } from "node:net";
import compression from "compression";
import express, { type RequestHandler } from "express";
import { freeDrains } from "./freedDrains";

const CHUNK = "a pot, a vase, a jug\n".repeat(20_000);
const CHUNKS = 40;

/** Answers at length through handlers; gives how many wait for the compressed stream at the end, and how much arrived. */
async function answered(...handlers: readonly RequestHandler[]): Promise<{ waiting: number; length: number }> {
  let waiting = -1;
  const app = express();
  app.use(compression());
  // Of its own `on`, `compression` gives the stream that it writes to.
  const plain = new WeakMap<object, EventEmitter["on"]>();
  app.use((_, response, next) => {
    plain.set(response, (response as EventEmitter).on.bind(response));
    next();
  });
  if (handlers.length > 0) app.use(...handlers);
  app.get("/", (_, response) => {
    response.type("text");
    void (async () => {
      for (let at = 0; at < CHUNKS; at++) if (!response.write(CHUNK)) await once(response, "drain");
      const stream: unknown = plain.get(response)?.("drain", () => undefined);
      if (stream instanceof EventEmitter) waiting = stream.listenerCount("drain") - 1;
      response.end();
    })();
  });
  const server = app.listen(0);
  await once(server, "listening");
  const { port } = server.address() as AddressInfo;
  const answer = await fetch(`http://127.0.0.1:${port}/`, { headers: { "accept-encoding": "gzip" } });
  expect(answer.headers.get("content-encoding")).toBe("gzip");
  const { length } = await answer.text();
  server.close();
  return { waiting, length };
}

test("a long compressed answer arrives whole and leaves nobody waiting behind; without this door it does", async () => {
  const whole = CHUNK.length * CHUNKS;
  expect(await answered(freeDrains)).toEqual({ waiting: 0, length: whole });
  const bare = await answered();
  expect(bare.length).toBe(whole);
  expect(bare.waiting).toBeGreaterThan(10);
});
