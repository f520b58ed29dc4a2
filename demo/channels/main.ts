import { once } from "node:events";
import { createServer } from "node:http";
import { number, object, string } from "yup";
import { log } from "../../server/log";
import { channelService } from "./channelService";

const environment = object({
  CHANNELS_FOLDER: string().required(),
  CHANNELS_TOKEN: string().required(),
  CHANNELS_PORT: number().integer().required(),
});

process.title = "stencilcraft-channels";
const { CHANNELS_FOLDER: folder, CHANNELS_TOKEN: token, CHANNELS_PORT: port } = environment.validateSync(process.env);
const server = createServer(channelService({ folder, token })).listen(port, "127.0.0.1");
await once(server, "listening");
log.info({ port }, "simulated channels listening");
for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => process.exit(0));
