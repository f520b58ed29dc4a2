import { readiness } from "../../server/readiness";

/** The process can do its work: database and storage answer, and a worker was seen lately. */
export async function loader() {
  const report = await readiness();
  return Response.json(report, { status: Object.values(report).every((state) => state === "ok") ? 200 : 503 });
}
