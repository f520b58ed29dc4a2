import { useEffect, useRef, useState } from "react";
import { type Received, type Sending, type UploadWishes, sendFile } from "./sendFile";

/** A file on its way in. */
export interface Upload {
  readonly key: number;
  readonly name: string;
  readonly share: number;
  readonly problem: string | null;
  /** Whether the line was cut: what was sent is kept, and it can be gone on with. */
  readonly isLost: boolean;
  /** The item that has the very same bytes already; the file was not added. */
  readonly known: Omit<Received, "known"> | null;
}

const AT_ONCE = 3;

interface Waiting {
  readonly key: number;
  readonly file: File;
  readonly wishes: UploadWishes;
}

/** Sends files one by one, a few at a time, with progress and cancel for each. */
export function useUploads(onReceived: (id: string) => void) {
  const [uploads, setUploads] = useState<readonly Upload[]>([]);
  const sending = useRef(new Map<number, Sending>());
  const waiting = useRef<Waiting[]>([]);
  const kept = useRef(new Map<number, Waiting>());
  /** Those whose line was cut, until it is there again. */
  const lost = useRef(new Map<number, Sending>());
  const next = useRef(1);

  const update = (key: number, change: Partial<Upload>): void =>
    setUploads((all) => all.map((one) => (one.key === key ? { ...one, ...change } : one)));
  const drop = (key: number): void => {
    kept.current.delete(key);
    setUploads((all) => all.filter((one) => one.key !== key));
  };

  function advance(): void {
    while (sending.current.size < AT_ONCE) {
      const item = waiting.current.shift();
      if (!item) return;
      send(item);
    }
  }
  function ended(key: number): void {
    sending.current.delete(key);
    advance();
  }

  function send({ key, file, wishes }: Waiting): void {
    const one = sendFile(file, wishes, {
      onShare: (share) => update(key, { share }),
      onReceived: ({ id, name, known }) => {
        ended(key);
        if (known) update(key, { share: 1, known: { id, name } });
        else {
          drop(key);
          onReceived(id);
        }
      },
      onProblem: (problem, isLost) => {
        if (isLost) lost.current.set(key, one);
        ended(key);
        update(key, { problem, isLost });
      },
    });
    sending.current.set(key, one);
  }

  function goOn(key: number): void {
    const one = lost.current.get(key);
    if (!one) return;
    lost.current.delete(key);
    sending.current.set(key, one);
    update(key, { problem: null, isLost: false });
    one.goOn();
  }

  useEffect(() => {
    const goOnWithAll = (): void => [...lost.current.keys()].forEach(goOn);
    window.addEventListener("online", goOnWithAll);
    return () => window.removeEventListener("online", goOnWithAll);
  });

  return {
    uploads,
    add: (files: Iterable<File>, wishes: UploadWishes = {}): void => {
      for (const file of files) {
        const item = { key: next.current++, file, wishes };
        const upload = { key: item.key, name: file.name, share: 0, problem: null, isLost: false, known: null };
        setUploads((all) => [...all, upload]);
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
    /** Goes on with a file whose line was cut. */
    goOn,
    cancel: (key: number): void => {
      waiting.current = waiting.current.filter((item) => item.key !== key);
      (sending.current.get(key) ?? lost.current.get(key))?.cancel();
      lost.current.delete(key);
      ended(key);
      drop(key);
    },
  };
}
