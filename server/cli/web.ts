import { once } from "node:events";
import { createServer } from "node:http";
import { randomUUID } from "node:crypto";
import { existsSync } from "node:fs";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import expressStaticGzip from "express-static-gzip";
import { type ServerBuild } from "react-router";
import { config } from "../config";
import { closeDatabase } from "../db/connect";
import { log } from "../log";

process.title = "stencilcraft-web";
const development = process.argv.includes("--dev");
const app = express().disable("x-powered-by");
const server = createServer(app);
let closing = false;
/** Responses under way; streams of events among them never end by themselves. */
const open = new Set<express.Response>();

app.use((request, response, next) => {
  const started = process.hrtime.bigint();
  const id = randomUUID().slice(0, 8);
  response.setHeader("x-request-id", id);
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

// A form sent from another site carries that site's origin.
app.use((request, response, next) => {
  const { origin, host } = request.headers;
  if (request.method === "GET" || request.method === "HEAD" || !origin || new URL(origin).host === host) {
    next();
    return;
  }
  response.status(403).send("This request came from another site and was not carried out.");
});

app.use((_request, response, next) => {
  response.setHeader("x-content-type-options", "nosniff");
  response.setHeader("x-frame-options", "DENY");
  response.setHeader("referrer-policy", "same-origin");
  // The development server talks to the page in ways of its own.
  if (!development)
    response.setHeader(
      "content-security-policy",
      "default-src 'self'; img-src 'self' blob: data:; media-src 'self' blob:; style-src 'self' 'unsafe-inline'; script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'; worker-src 'self' blob:; object-src 'none'; base-uri 'self'; form-action 'self'",
    );
  next();
});

// What is built was compressed once; the server has nothing to do but to send it.
if (!development)
  app.use(
    "/assets",
    expressStaticGzip("build/client/assets", {
      enableBrotli: true,
      orderPreference: ["br", "gz"],
      serveStatic: { immutable: true, maxAge: "1y" },
    }),
  );

app.use(
  compression({
    filter: (request, response) =>
      response.getHeader("content-type") !== "text/event-stream" && compression.filter(request, response),
  }),
);

if (development) {
  const { createServer: createViteServer } = await import("vite");
  const vite = await createViteServer({ server: { middlewareMode: true, hmr: { server } } });
  app.use(vite.middlewares);
  app.use(
    createRequestHandler({
      build: () => vite.ssrLoadModule("virtual:react-router/server-build") as Promise<ServerBuild>,
      mode: "development",
    }),
  );
} else {
  const built = new URL("../../build/server/index.js", import.meta.url);
  if (!existsSync(built)) throw new Error("The application is not built. Run bin/start, which builds it.");
  app.use(express.static("build/client", { maxAge: "1h" }));
  app.use(createRequestHandler({ build: () => import(built.href) as Promise<ServerBuild>, mode: "production" }));
}

// Uploads of large clips take longer than Node's usual limit for a request.
server.requestTimeout = 30 * 60_000;
server.listen(config().PORT, config().HOST);
await once(server, "listening");
log.info({ port: config().PORT }, "web server listening");

for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.on(signal, () => {
    if (closing) return;
    closing = true;
    log.info("web server stopping: requests under way are finished");
    for (const response of open)
      if (String(response.getHeader("content-type")).startsWith("text/event-stream")) response.end();
    server.close(() => void closeDatabase().finally(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 10_000).unref();
  });
