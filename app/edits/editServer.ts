import { array, mixed, number, object, string } from "yup";
import { type Edit } from "../../core/document/edit";
import { problemIn } from "../components/problemIn";

/** A document as it is on the server. */
export interface SavedDocument<Document> {
  readonly document: Document;
  readonly revision: number;
}

/** An edit that was not taken: which of those sent, and why. */
export interface Refused {
  readonly index: number;
  readonly problem: string;
}

/** What the server says to edits. Its document comes along where it is not just what was here with them. */
export type SaveAnswer<Document> =
  | {
      readonly kind: "saved";
      readonly revision: number;
      readonly document: Document | null;
      readonly refused: readonly Refused[];
    }
  /** None was taken, and the person has to do something about it. */
  | { readonly kind: "not taken"; readonly problem: string };

const saved = object({
  revision: number().integer().required(),
  document: mixed().nullable(),
  refused: array(object({ index: number().integer().required(), problem: string().required() })).required(),
});
const newest = object({ revision: number().integer().required(), document: mixed().required() });

/** What is still being sent when its page is left may be so large (Fetch standard, keepalive). Some is left for the rest. */
const MOST_KEPT_ALIVE = 60_000;

/** Sends edits to an address. Throws when the server can't be reached or does not answer. */
export async function sendEdits<Document>(
  address: string,
  read: (value: unknown) => Document,
  { base, edits }: { readonly base: number; readonly edits: readonly Edit[] },
): Promise<SaveAnswer<Document>> {
  const body = JSON.stringify({ base, edits: edits.map(({ label, patch }) => ({ label, patch })) });
  const response = await fetch(address, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body,
    // What was typed last is saved though the page is left meanwhile.
    keepalive: new TextEncoder().encode(body).length < MOST_KEPT_ALIVE,
  });
  if (response.redirected)
    return {
      kind: "not taken",
      problem: "not saved: you were signed out. Sign in again in another tab, then go on here.",
    };
  if (response.status === 403)
    return { kind: "not taken", problem: "not saved: as a reviewer you can look, but not change." };
  const answer: unknown = await response.json();
  if (response.status === 422) return { kind: "not taken", problem: problemOf(answer) };
  if (!response.ok) throw new Error(`The server answered ${response.status}.`);
  const { revision, document, refused } = saved.validateSync(answer);
  return {
    kind: "saved",
    revision,
    document: document === null || document === undefined ? null : read(document),
    refused,
  };
}

/** The newest version at an address; null for someone who is not let in any more. */
export async function fetchNewest<Document>(
  address: string,
  read: (value: unknown) => Document,
): Promise<SavedDocument<Document> | null> {
  const response = await fetch(address);
  if (!response.ok || response.redirected) return null;
  const { revision, document } = newest.validateSync(await response.json());
  return { revision, document: read(document) };
}

const problemOf = (body: unknown): string => problemIn(body) ?? "The change was not taken.";
