import { join } from "node:path";
import { FileStore } from "@tus/file-store";
import { MemoryLocker, Server } from "@tus/server";
import { isSlotKey } from "../../core/document/sceneTemplate";
import { config } from "../config";
import { type TeamScope } from "../db/teamScope";
import { awaitFill } from "../promotions/awaitedFills";
import { NO_ROOM, hasRoom } from "../storage/full";
import { displayName } from "./fileName";
import { receiveMedia, tooLarge } from "./receive";
import { removeUpload, uploadFolder } from "./uploadFolder";
import { UploadProblem } from "./uploadProblem";

/** Where files are sent to; each upload has an address of its own below. */
const PATH = "/media/uploads";
const locker = new MemoryLocker();

/** Whoever sends a file. */
interface Sender {
  readonly scope: TeamScope;
  readonly id: string;
}

/** A refusal, as the protocol's server wants it thrown. */
class UploadRefused extends Error {
  readonly body: string;
  constructor(
    readonly status_code: number,
    problem: string,
  ) {
    super(problem);
    this.body = JSON.stringify({ problem });
  }
}

/**
 * Answers a request of the tus protocol 1.0 for resumable uploads, with creation, creation-with-upload and termination. What
 * is sent stays when the line is cut, and is gone on with from there. The answer to the last part of a file says, as JSON,
 * what came of it: a `ReceivedMedia`, or a `problem` in words. Its metadata are `name`; `again`, to add it although it is
 * here already; `replace`, the item whose file it is to be; `logo`; `promotion` and `slot`, where it is to be shown once it
 * has been read in.
 */
export function answerUpload(request: Request, { scope, id: sender }: Sender): Promise<Response> {
  const datastore = new FileStore({ directory: uploadFolder() });
  const server = new Server({
    path: PATH,
    relativeLocation: true,
    // Pages of ours alone: nothing is said to those of others.
    allowedOrigins: [],
    datastore,
    locker,
    async onIncomingRequest(_request, upload) {
      // A new one is not there yet.
      const known = await datastore.getUpload(upload).catch(() => null);
      if (known && known.metadata?.["sender"] !== sender) throw new UploadRefused(404, "There is no such upload.");
    },
    onUploadCreate(_request, { size, metadata }) {
      const name = displayName(metadata?.["name"] ?? "");
      const most = config().LIMIT_CLIP_BYTES;
      if (size === undefined) throw new UploadRefused(411, `Say with “Upload-Length” how long “${name}” is.`);
      if (size > most) throw new UploadRefused(413, tooLarge(name, "clips", most));
      return Promise.resolve({ metadata: { ...metadata, sender } });
    },
    async onUploadFinish(_request, { id, metadata }) {
      const path = join(uploadFolder(), id);
      try {
        const received = await receive(scope, sender, path, metadata ?? {});
        return {
          status_code: 201,
          headers: { "content-type": "application/json" },
          body: JSON.stringify(received),
        };
      } catch (error) {
        if (error instanceof UploadProblem) throw new UploadRefused(422, error.message);
        throw error;
      } finally {
        await removeUpload(path);
      }
    },
    async onResponseError(_request, error) {
      if (error instanceof UploadRefused || (await hasRoom())) return undefined;
      return { status_code: 507, body: JSON.stringify({ problem: `The file was not kept. ${NO_ROOM}` }) };
    },
  });
  return server.handleWeb(request);
}

async function receive(
  scope: TeamScope,
  sender: string,
  path: string,
  { name, again, replace, logo, promotion, slot }: Record<string, string | null | undefined>,
) {
  const received = await receiveMedia(scope, name ?? "", path, {
    ...{ again: Boolean(again), replace: replace ?? null },
    isLogo: Boolean(logo),
  });
  if (!received.known && promotion && slot && isSlotKey(slot))
    await awaitFill(scope, received.id, { promotion, slot }, sender);
  return received;
}
