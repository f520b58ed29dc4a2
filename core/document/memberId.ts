import { type Json } from "./valueJsonSchemas";

/** What a member of a record may be called: a scene, a slot, a shot, an item, a piece of sound. */
export const MEMBER_ID = /^[a-z0-9][a-z0-9-]{0,59}$/;
export const memberIdJsonSchema: Json = { type: "string", pattern: MEMBER_ID.source };
