import { once } from "node:events";
import { createServer } from "node:http";
import { randomUUID } from "node:crypto";
import { existsSync } from "node:fs";
import { join, resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import expressStaticGzip from "express-static-gzip";
import { serverBuild } from "../doors/serverBuild";
import { CLIENT_HEADER } from "../auth/askedFrom";
import { config } from "../config";
import { freeDrains } from "../doors/freedDrains";
import { bodyProblem } from "../doors/bodyLimits";
import { inTurn } from "../doors/inTurn";
import { isFromOurPages } from "../doors/sameSite";
import { writeSafetyHeaders } from "../doors/safetyHeaders";
import { log } from "../log";
import { tidyUploads } from "../media/uploadFolder";
import { BUILT_PAGES } from "../program";
import { removeWorkFolder, tidyWorkFolders } from "../workFolder";

process.title = "stencilcraft-web";
const development = process.argv.includes("--dev");
/** Of zlib's nine. */
const PAGE_COMPRESSION = 2;
/** Enough to have work while some of them wait for the database. */
const PAGES_AT_ONCE = 4;
const LONGEST_TURN_MS = 300;
const TIDY_EVERY_MS = 3_600_000;
/**
 * A connection stays with the process that took it, and while one is busy the other takes more of them. Opened anew now and
 * then, they go to whichever has less to do.
 */
const REQUESTS_A_CONNECTION = 12;
const app = express().disable("x-powered-by").set("trust proxy", config().PROXIES);
const server = createServer(app);
let closing = false;
/** Responses under way; streams of events among them never end by themselves. */
const open = new Set<express.Response>();
const tidied = tidyWorkFolders();

app.use((request, response, next) => {
  const started = process.hrtime.bigint();
  const id = randomUUID().slice(0, 8);
  response.setHeader("x-request-id", id);
  request.headers[CLIENT_HEADER] = request.ip ?? "";
  if (closing) response.setHeader("connection", "close");
  open.add(response);
  response.on("close", () => open.delete(response));
  response.on("finish", () => {
    const ms = Number(process.hrtime.bigint() - started) / 1e6;
    log[response.statusCode >= 500 ? "error" : "debug"](
      { id, method: request.method, path: request.path, status: response.statusCode, ms: Math.round(ms) },
      "request",
    );
  });
  next();
});

app.use((request, response, next) => {
  if (request.method === "GET" || request.method === "HEAD" || isFromOurPages(request.headers)) next();
  else response.status(403).type("text").send("This request came from another site and was not carried out.");
});

app.use((request, response, next) => {
  const refused = bodyProblem(request.method, request.path, request.headers);
  if (!refused) {
    next();
    return;
  }
  // Nothing of it is read: the connection ends with the answer.
  response.status(refused.status).setHeader("connection", "close").type("text").send(refused.problem);
});

app.use((_request, response, next) => {
  writeSafetyHeaders(response, { development });
  next();
});

// What is built was compressed once; the server has nothing to do but to send it.
if (!development)
  app.use(
    "/assets",
    expressStaticGzip(join(BUILT_PAGES, "client", "assets"), {
      enableBrotli: true,
      orderPreference: ["br", "gz"],
      serveStatic: { immutable: true, maxAge: "1y" },
    }),
  );

app.use(
  compression({
    // Each page is sent once: the usual level takes twice the work, to make it a tenth smaller.
    level: PAGE_COMPRESSION,
    filter: (request, response) =>
      response.getHeader("content-type") !== "text/event-stream" && compression.filter(request, response),
  }),
  freeDrains,
);

if (development) {
  const { createServer: createViteServer } = await import("vite");
  const vite = await createViteServer({ server: { middlewareMode: true, hmr: { server } } });
  app.use(vite.middlewares);
  app.use(
    createRequestHandler({
      build: async () => serverBuild(await vite.ssrLoadModule("virtual:react-router/server-build")),
      mode: "development",
    }),
  );
} else {
  const built = resolve(BUILT_PAGES, "server", "index.js");
  if (!existsSync(built)) throw new Error("The application is not built. Run bin/start, which builds it.");
  app.use(express.static(join(BUILT_PAGES, "client"), { maxAge: "1h" }));
  app.use(inTurn(PAGES_AT_ONCE, LONGEST_TURN_MS));
  // The build itself, not a function that gives it: of that, all routes would be prepared anew at every request.
  app.use(createRequestHandler({ build: serverBuild(await import(pathToFileURL(built).href)), mode: "production" }));
}

await tidied;
const tidy = (): void => void tidyUploads().catch((error: unknown) => log.warn({ error: String(error) }, "uploads"));
tidy();
setInterval(tidy, TIDY_EVERY_MS).unref();
// Uploads of large clips take longer than Node's usual limit for a request.
server.requestTimeout = 30 * 60_000;
server.maxRequestsPerSocket = REQUESTS_A_CONNECTION;
server.listen(config().PORT, config().HOST);
await once(server, "listening");
log.info({ port: config().PORT }, "web server listening");

const end = (): void => void removeWorkFolder().finally(() => process.exit(0));
for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.on(signal, () => {
    if (closing) return;
    closing = true;
    log.info("web server stopping: requests under way are finished");
    for (const response of open)
      if (String(response.getHeader("content-type")).startsWith("text/event-stream")) response.end();
    server.close(end);
    server.closeIdleConnections();
    setTimeout(end, 9_000).unref();
  });
