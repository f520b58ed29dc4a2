import { INGEST_VERSION } from "./measured";

/** Names the bytes of an item's working copies: they are other ones when its file is, or when ingest makes them anew. */
export const fileVersion = (sha256: string): string => `${sha256.slice(0, 16)}-${INGEST_VERSION}`;
