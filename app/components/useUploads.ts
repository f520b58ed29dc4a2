import { useRef, useState } from "react";
import { boolean, object, string } from "yup";
import { problemIn } from "./problemIn";

/** A file on its way in. */
export interface Upload {
  readonly key: number;
  readonly name: string;
  readonly share: number;
  readonly problem: string | null;
  /** The item that has the very same bytes already; the file was not added. */
  readonly known: { readonly id: string; readonly name: string } | null;
}

/** What is wished for with files that are brought in. */
export interface UploadWishes {
  readonly again?: boolean;
  readonly replace?: string;
  readonly logo?: boolean;
}

const AT_ONCE = 3;
const received = object({ id: string().required(), name: string().required(), known: boolean().required() });

interface Waiting {
  readonly key: number;
  readonly file: File;
  readonly wishes: UploadWishes;
}

/** Sends files one by one, a few at a time, with progress and cancel for each. */
export function useUploads(onReceived: (id: string) => void) {
  const [uploads, setUploads] = useState<readonly Upload[]>([]);
  const requests = useRef(new Map<number, XMLHttpRequest>());
  const waiting = useRef<Waiting[]>([]);
  const kept = useRef(new Map<number, Waiting>());
  const next = useRef(1);

  const update = (key: number, change: Partial<Upload>): void =>
    setUploads((all) => all.map((one) => (one.key === key ? { ...one, ...change } : one)));
  const drop = (key: number): void => {
    kept.current.delete(key);
    setUploads((all) => all.filter((one) => one.key !== key));
  };

  function advance(): void {
    while (requests.current.size < AT_ONCE) {
      const item = waiting.current.shift();
      if (!item) return;
      send(item);
    }
  }

  function send({ key, file, wishes }: Waiting): void {
    const request = new XMLHttpRequest();
    requests.current.set(key, request);
    const params = new URLSearchParams({
      name: file.name,
      ...(wishes.again ? { again: "yes" } : {}),
      ...(wishes.replace ? { replace: wishes.replace } : {}),
      ...(wishes.logo ? { logo: "yes" } : {}),
    });
    request.open("POST", `/media/upload?${params}`);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.upload.onprogress = ({ loaded, total }) => update(key, { share: total > 0 ? loaded / total : 0 });
    request.onloadend = () => {
      requests.current.delete(key);
      advance();
      const answer = request.status === 200 || request.status === 201 ? parsed(request.responseText) : null;
      if (received.isValidSync(answer)) {
        if (answer.known) {
          update(key, { share: 1, known: { id: answer.id, name: answer.name } });
          return;
        }
        drop(key);
        onReceived(answer.id);
      } else if (request.status > 0)
        update(key, {
          problem: problemOf(request.responseText) ?? `“${file.name}” was not taken (${request.status}). Try again.`,
        });
    };
    request.onerror = () =>
      update(key, { problem: `“${file.name}” did not arrive: the connection was lost. Try again.` });
    request.onabort = () => drop(key);
    request.send(file);
  }

  return {
    uploads,
    add: (files: Iterable<File>, wishes: UploadWishes = {}): void => {
      for (const file of files) {
        const item = { key: next.current++, file, wishes };
        setUploads((all) => [...all, { key: item.key, name: file.name, share: 0, problem: null, known: null }]);
        kept.current.set(item.key, item);
        waiting.current.push(item);
      }
      advance();
    },
    /** Brings a file in although its bytes are here already. */
    again: (key: number): void => {
      const item = kept.current.get(key);
      if (!item) return;
      update(key, { share: 0, known: null });
      waiting.current.push({ ...item, wishes: { ...item.wishes, again: true } });
      advance();
    },
    cancel: (key: number): void => {
      const request = requests.current.get(key);
      waiting.current = waiting.current.filter((item) => item.key !== key);
      if (request) request.abort();
      else drop(key);
    },
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const problemOf = (text: string): string | null => problemIn(parsed(text));
