import { once } from "node:events";
import { type IncomingMessage, type Server, createServer, get, request } from "node:http";
import { type AddressInfo } from "node:net";
import express, { type Response } from "express";
import { inTurn } from "./inTurn";

/** Pages that have reached the server. */
const arrived = new Set<string>();
/** Of them those that are begun, by their addresses; none is answered until the test says so. */
const begun = new Map<string, Response>();
const order: string[] = [];
let waiting: (() => void)[] = [];
let server: Server;

const LONGEST_MS = 400;

beforeAll(async () => {
  const app = express();
  const seen = (): void => waiting.forEach((look) => look());
  app.use((asked, _response, next) => {
    arrived.add(asked.path);
    next();
    seen();
  });
  app.use(inTurn(2, LONGEST_MS));
  app.use((asked, response) => {
    order.push(asked.path);
    begun.set(asked.path, response);
    seen();
  });
  server = createServer(app).listen(0, "127.0.0.1");
  await once(server, "listening");
});
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
});
beforeEach(() => {
  arrived.clear();
  begun.clear();
  order.length = 0;
});

const address = (path: string): string => `http://127.0.0.1:${(server.address() as AddressInfo).port}${path}`;

function ask(path: string): { readonly answer: Promise<string>; readonly leave: () => void } {
  const asked = get(address(path), { agent: false });
  const answer = new Promise<IncomingMessage>((answered, failed) =>
    asked.once("response", answered).once("error", failed),
  ).then(async (response) => {
    let text = "";
    for await (const part of response) text += String(part);
    return text;
  });
  answer.catch(() => undefined);
  return { answer, leave: () => asked.destroy() };
}

async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise<void>((look) => waiting.push(look));
  waiting = [];
}

test("the third waits for its turn, comes before the fourth, and is answered", async () => {
  const [first, second] = [ask("/1"), ask("/2")];
  await until(() => begun.size === 2);
  const third = ask("/3");
  await until(() => arrived.has("/3"));
  const fourth = ask("/4");
  await until(() => arrived.has("/4"));
  // What is saved waits for nobody.
  const saved = request(address("/saved"), { method: "POST", agent: false }).end();
  await until(() => begun.has("/saved"));
  expect([...begun.keys()].toSorted()).toEqual(["/1", "/2", "/saved"]);
  begun.get("/saved")?.end();
  await once(saved, "response");
  begun.get("/1")?.end("one");
  expect(await first.answer).toBe("one");
  await until(() => begun.has("/3"));
  begun.get("/2")?.end("two");
  await until(() => begun.has("/4"));
  begun.get("/3")?.end("three");
  begun.get("/4")?.end("four");
  expect(await Promise.all([second, third, fourth].map(({ answer }) => answer))).toEqual(["two", "three", "four"]);
  expect(order.indexOf("/3")).toBeLessThan(order.indexOf("/4"));
});

test("who takes long stands in nobody's way, and who has gone is not answered", async () => {
  const slow = [ask("/slow/1"), ask("/slow/2")];
  await until(() => begun.size === 2);
  const gone = ask("/gone");
  await until(() => arrived.has("/gone"));
  gone.leave();
  await expect(gone.answer).rejects.toThrow();
  const next = ask("/next");
  await until(() => begun.has("/next"));
  expect(begun.has("/gone")).toBe(false);
  begun.get("/next")?.end("next");
  expect(await next.answer).toBe("next");
  for (const path of ["/slow/1", "/slow/2"]) begun.get(path)?.end("at last");
  expect(await Promise.all(slow.map(({ answer }) => answer))).toEqual(["at last", "at last"]);
});
