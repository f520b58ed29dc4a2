import { once } from "node:events";
import { type AddressInfo, type Socket, connect, createServer } from "node:net";

/** A line to the instance under test that can be cut. */
export interface CutLine {
  /** What a browser opens instead of the instance's own address. */
  readonly address: string;
  /** Cuts it once a connection has carried so many bytes to the instance; nothing new gets through from then on. */
  cutAfter(bytes: number): void;
  mend(): void;
  close(): Promise<void>;
}

export async function openLine(instance: string): Promise<CutLine> {
  const { hostname, port } = new URL(instance);
  const open = new Set<Socket>();
  let most = Infinity;
  let isCut = false;
  const end = (): void => open.forEach((socket) => socket.destroy());
  const server = createServer((client) => {
    if (isCut) {
      client.destroy();
      return;
    }
    const there = connect(Number(port), hostname);
    let carried = 0;
    for (const socket of [client, there]) {
      open.add(socket);
      socket.on("error", () => undefined);
      socket.on("close", () => {
        open.delete(socket);
        client.destroy();
        there.destroy();
      });
    }
    client.on("data", (part) => {
      carried += part.length;
      there.write(part);
      if (carried <= most) return;
      isCut = true;
      // What was carried arrives before the end does.
      there.end(end);
    });
    there.pipe(client);
  });
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cutAfter(bytes) {
      most = bytes;
    },
    mend() {
      most = Infinity;
      isCut = false;
    },
    async close() {
      end();
      server.close();
      await once(server, "close");
    },
  };
}
