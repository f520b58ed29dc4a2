import { randomUUID, timingSafeEqual } from "node:crypto";
import { join } from "node:path";
import { FileStore } from "@tus/file-store";
import { Server as TusServer } from "@tus/server";
import express, { type NextFunction, type Request, type Response } from "express";
import { mixed, number, object, string } from "yup";
import { type PostWords, readPostWords } from "../../core/post/postWords";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { CHANNELS } from "./channelRules";
import { checkPost } from "./checkPost";
import { keptPosts } from "./keptPosts";
import { madeUpViews } from "./madeUpViews";
import { postPage } from "./postPage";

/** How long a channel works on what it has taken, in milliseconds. */
const PROCESSING_MS = 1500;
const AGAIN_AFTER_S = 1;
const MOST_FORM_BYTES = 200_000;

interface ServiceOptions {
  /** Where it keeps what it was sent. */
  readonly folder: string;
  /** What whoever posts has to show. */
  readonly token: string;
}

const postForm = object({
  channel: string().required(),
  placement: string().required(),
  file: string()
    .matches(/^[\w-]{8,100}$/)
    .required(),
  words: mixed<object>().required(),
});
const simulated = object({
  /** So many requests to come are answered with 503, or with 429. */
  failing: number().integer().min(0).max(1000).default(0),
  throttling: number().integer().min(0).max(1000).default(0),
  processingMs: number().integer().min(0).max(600_000).default(PROCESSING_MS),
});

/**
 * The simulated channels of the demo world, over HTTP. Files are taken by the tus protocol 1.0 at `/v1/files`; a post is made
 * of one at `/v1/posts`, once for each `Idempotency-Key`. How it fails and throttles is told at `/v1/simulate`.
 */
export function channelService({ folder, token }: ServiceOptions): express.Express {
  const posts = keptPosts(folder);
  const files = join(folder, "files");
  const tus = new TusServer({
    path: "/v1/files",
    relativeLocation: true,
    datastore: new FileStore({ directory: files }),
  });
  const behaves = { failing: 0, throttling: 0, processingMs: PROCESSING_MS };
  const app = express();
  app.disable("x-powered-by");

  const isAllowed = (request: Request): boolean => {
    const given = Buffer.from(request.get("authorization") ?? "");
    const asked = Buffer.from(`Bearer ${token}`);
    return given.length === asked.length && timingSafeEqual(given, asked);
  };
  app.use("/v1", (request: Request, response: Response, next: NextFunction) => {
    if (!isAllowed(request)) return void response.status(401).json({ problem: "Show the token of your account." });
    if (request.path === "/simulate") {
      next();
      return;
    }
    if (behaves.failing > 0) {
      behaves.failing--;
      return void response.status(503).json({ problem: "Out of order for a moment." });
    }
    if (behaves.throttling > 0) {
      behaves.throttling--;
      return void response.status(429).set("retry-after", String(AGAIN_AFTER_S)).json({ problem: "Too many at once." });
    }
    next();
  });
  app.all(["/v1/files", "/v1/files/:id"], (request, response) => void tus.handle(request, response));
  app.use("/v1", express.json({ limit: MOST_FORM_BYTES }));
  app.post("/v1/simulate", (request, response) => {
    Object.assign(behaves, simulated.validateSync(request.body ?? {}));
    response.json(behaves);
  });
  app.get("/v1/channels", (_request, response) => {
    response.json({ channels: CHANNELS });
  });
  app.post("/v1/posts", async (request, response) => {
    const key = request.get("idempotency-key") ?? "";
    if (key === "") return void response.status(400).json({ problem: "Name the post with an Idempotency-Key." });
    const before = posts.byKey(key);
    if (before) return void response.json({ id: before.id });
    const asked = readForm(request.body);
    if (typeof asked === "string") return void response.status(422).json({ problems: [asked] });
    const channel = CHANNELS.find(({ id }) => id === asked.channel);
    const placement = channel?.placements.find(({ id }) => id === asked.placement);
    if (!channel || !placement)
      return void response.status(422).json({ problems: [`There is no ${asked.placement} on ${asked.channel}.`] });
    const problems = await checkPost(join(files, asked.file), asked.words, placement).catch(() => [
      "This file was not sent.",
    ]);
    if (problems.length > 0) return void response.status(422).json({ problems });
    // Somebody may have sent the same while it was looked at.
    const meanwhile = posts.byKey(key);
    if (meanwhile) return void response.json({ id: meanwhile.id });
    const now = Date.now();
    const id = randomUUID();
    posts.add({
      ...{ id, key, channel: channel.id, placement: placement.id, file: asked.file, words: asked.words },
      takenAt: new Date(now).toISOString(),
      liveAt: new Date(now + behaves.processingMs).toISOString(),
    });
    response.status(201).json({ id });
  });
  app.get("/v1/posts/:id", (request, response) => {
    const post = posts.byId(request.params.id);
    if (!post) return void response.status(404).json({ problem: "There is no such post." });
    response.json({ state: Date.parse(post.liveAt) <= Date.now() ? "live" : "processing", liveAt: post.liveAt });
  });
  app.delete("/v1/posts/:id", (request, response) => {
    posts.remove(request.params.id);
    response.status(204).end();
  });
  app.get("/v1/posts/:id/views", (request, response) => {
    const post = posts.byId(request.params.id);
    if (!post) return void response.status(404).json({ problem: "There is no such post." });
    response.json({ days: madeUpViews(post.id, new Date(post.liveAt), new Date()) });
  });

  app.get("/posts/:id", (request, response) => {
    const found = liveOf(request.params.id);
    if (!found) return void response.status(404).type("text").send("There is no such post.");
    response.type("html").send(postPage(found.post, found.channel, found.placement));
  });
  app.get("/posts/:id/file", (request, response) => {
    const found = liveOf(request.params.id);
    if (!found) return void response.status(404).end();
    const kind = found.placement.kinds[0] ?? "mp4";
    response.type(FILE_KINDS[kind].type).sendFile(found.post.file, { root: files });
  });
  function liveOf(id: string) {
    const post = posts.byId(id);
    const channel = CHANNELS.find((one) => one.id === post?.channel);
    const placement = channel?.placements.find((one) => one.id === post?.placement);
    return post && channel && placement && Date.parse(post.liveAt) <= Date.now() ? { post, channel, placement } : null;
  }
  return app;
}

interface PostForm {
  readonly channel: string;
  readonly placement: string;
  readonly file: string;
  readonly words: PostWords;
}
/** What was sent of a post, or what is wrong with it. */
function readForm(body: unknown): PostForm | string {
  try {
    const form = postForm.validateSync(body, { strict: true });
    return { ...form, words: readPostWords(form.words) };
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}
