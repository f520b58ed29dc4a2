import { placementJsonSchema } from "../../core/placement/placementJsonSchema";

/** The published JSON Schema of a file of placements, for anyone. */
export const loader = () =>
  Response.json(placementJsonSchema(), { headers: { "content-type": "application/schema+json" } });
