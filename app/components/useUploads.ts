import { useRef, useState } from "react";

/** A file on its way in. */
export interface Upload {
  readonly key: number;
  readonly name: string;
  readonly share: number;
  readonly problem: string | null;
}

const AT_ONCE = 3;

/** Sends files one by one, a few at a time, with progress and cancel for each. */
export function useUploads(onReceived: () => void) {
  const [uploads, setUploads] = useState<readonly Upload[]>([]);
  const requests = useRef(new Map<number, XMLHttpRequest>());
  const waiting = useRef<{ key: number; file: File }[]>([]);
  const next = useRef(1);

  const update = (key: number, change: Partial<Upload>): void => setUploads((all) => all.map((one) => (one.key === key ? { ...one, ...change } : one)));
  const drop = (key: number): void => setUploads((all) => all.filter((one) => one.key !== key));

  function advance(): void {
    while (requests.current.size < AT_ONCE) {
      const item = waiting.current.shift();
      if (!item) return;
      send(item.key, item.file);
    }
  }

  function send(key: number, file: File): void {
    const request = new XMLHttpRequest();
    requests.current.set(key, request);
    request.open("POST", `/media/upload?name=${encodeURIComponent(file.name)}`);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.upload.onprogress = ({ loaded, total }) => update(key, { share: total > 0 ? loaded / total : 0 });
    request.onloadend = () => {
      requests.current.delete(key);
      advance();
      if (request.status === 201) {
        drop(key);
        onReceived();
      } else if (request.status > 0) update(key, { problem: problemOf(request.responseText) ?? `“${file.name}” was not taken (${request.status}). Try again.` });
    };
    request.onerror = () => update(key, { problem: `“${file.name}” did not arrive: the connection was lost. Try again.` });
    request.onabort = () => drop(key);
    request.send(file);
  }

  return {
    uploads,
    add(files: Iterable<File>): void {
      for (const file of files) {
        const key = next.current++;
        setUploads((all) => [...all, { key, name: file.name, share: 0, problem: null }]);
        waiting.current.push({ key, file });
      }
      advance();
    },
    cancel(key: number): void {
      const request = requests.current.get(key);
      waiting.current = waiting.current.filter((item) => item.key !== key);
      if (request) request.abort();
      else drop(key);
    },
  };
}

function problemOf(text: string): string | null {
  try {
    const parsed: unknown = JSON.parse(text);
    return typeof parsed === "object" && parsed !== null && "problem" in parsed && typeof parsed.problem === "string" ? parsed.problem : null;
  } catch {
    return null;
  }
}
