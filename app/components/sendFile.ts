import { Upload } from "tus-js-client";
import { type InferType, boolean, object, string } from "yup";
import { problemIn } from "./problemIn";

/** What is wished for with a file that is brought in. */
export interface UploadWishes {
  /** Adds it although its bytes are here already. */
  readonly again?: boolean;
  /** The item whose file it is to be. */
  readonly replace?: string;
  readonly logo?: boolean;
  /** Where it is to be shown once it has been read in: the slug of a promotion, and a slot of its. */
  readonly promotion?: string;
  readonly slot?: string;
}

const received = object({ id: string().required(), name: string().required(), known: boolean().required() });

/** What came of a file: the item that it is, or whose bytes it has. */
export type Received = InferType<typeof received>;

interface Hearing {
  onShare?: (share: number) => void;
  onReceived: (received: Received) => void;
  /** @param isLost whether the line was cut: it can be gone on with then */
  onProblem: (problem: string, isLost: boolean) => void;
}

/** Waited for so long, in milliseconds, before a line that was cut is tried again. */
const TRIED_AFTER = [300, 1000, 3000, 5000, 10_000];

/**
 * Files up to here are sent with the request that announces them. Where the line is cut during that, nobody knows where the
 * upload is.
 */
const SENT_AT_ONCE_BYTES = 500_000;

/** A file on its way. */
export interface Sending {
  /** Goes on with what was cut off. */
  goOn: () => void;
  /** Ends it; what was sent of it goes. */
  cancel: () => void;
}

/**
 * Sends a file to the media by the tus protocol: what was sent before a line was cut, or before the page was left, is not
 * sent again.
 */
export function sendFile(file: File, wishes: UploadWishes, { onShare, onReceived, onProblem }: Hearing): Sending {
  const { again, logo, ...places } = wishes;
  const upload = new Upload(file, {
    endpoint: "/media/uploads",
    retryDelays: TRIED_AFTER,
    uploadDataDuringCreation: file.size <= SENT_AT_ONCE_BYTES,
    removeFingerprintOnSuccess: true,
    // The same file, wished for otherwise, is another upload.
    fingerprint: () =>
      Promise.resolve(["file", file.name, file.size, file.lastModified, JSON.stringify(wishes)].join("|")),
    metadata: { name: file.name, ...places, ...(again && { again: "yes" }), ...(logo && { logo: "yes" }) },
    onProgress: (sent, all) => onShare?.(all > 0 ? sent / all : 0),
    onSuccess: ({ lastResponse }) => {
      const answer = parsed(lastResponse.getBody());
      if (received.isValidSync(answer)) onReceived(answer);
      else onProblem(`“${file.name}” was not taken. Try again.`, false);
    },
    // What the server says of a file would be the same again; only its own faults pass.
    onShouldRetry: ({ originalResponse }) => {
      const status = originalResponse?.getStatus() ?? 0;
      return status === 0 || status === 409 || status === 423 || (status >= 500 && status !== 507);
    },
    onError: (error) => {
      const answer = "originalResponse" in error ? error.originalResponse : null;
      const problem = problemIn(parsed(answer?.getBody() ?? ""));
      if (answer === null) onProblem(`“${file.name}” did not arrive: the connection was lost.`, true);
      else onProblem(problem ?? `“${file.name}” was not taken (${answer.getStatus()}). Try again.`, false);
    },
  });
  const start = async (): Promise<void> => {
    const before = await upload.findPreviousUploads();
    if (before[0]) upload.resumeFromPreviousUpload(before[0]);
    upload.start();
  };
  const begin = (): void => void start().catch(() => upload.start());
  begin();
  return {
    goOn: begin,
    cancel: () => void upload.abort(true).catch(() => undefined),
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
