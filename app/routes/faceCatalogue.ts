import { faceCatalogue } from "../../server/faces/faceFiles";

/** The shipped typefaces and emoji; the same for everyone. */
export async function loader() {
  return Response.json(await faceCatalogue(), { headers: { "cache-control": "public, max-age=3600" } });
}
