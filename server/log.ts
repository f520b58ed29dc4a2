import pino from "pino";

/** Structured logs, one JSON object a line, on standard error. */
export const log = pino({ level: process.env["LOG_LEVEL"] ?? "info", base: { process: process.title } }, pino.destination({ fd: 2, sync: true }));
