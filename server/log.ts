import { parse } from "node:path";
import pino from "pino";

/** Structured logs, one JSON object a line, on standard error. */
export const log = pino(
  { level: process.env["LOG_LEVEL"] ?? "info", base: { process: parse(process.argv[1] ?? "node").name } },
  pino.destination({ fd: 2, sync: true }),
);
