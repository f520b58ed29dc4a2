import { number, object } from "yup";
import { editList } from "../../core/document/edit";
import { jsonOf } from "../doors/readBody";
import { type EditResult, type SentEdits, isRefusal } from "./applyEach";

const envelope = object({ base: number().integer().min(1).required() });

/** Answers a desk's autosave: edits with the revision they were made on. What is no such thing is refused in words. */
export async function answerSave(
  request: Request,
  save: (sent: SentEdits) => Promise<EditResult<unknown>>,
): Promise<Response> {
  try {
    const body: unknown = await jsonOf(request);
    const { base } = envelope.validateSync(body);
    const edits = editList(typeof body === "object" && body !== null && "edits" in body ? body.edits : undefined);
    return Response.json(await save({ base, edits }));
  } catch (error) {
    if (isRefusal(error)) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}

/** A document as it is now, for a desk that has heard of a newer revision. */
export const answerNewest = (newest: { readonly revision: number; readonly document: unknown }): Response =>
  Response.json(newest, { headers: { "cache-control": "no-store" } });
