import { packageJsonSchema } from "../../core/document/templateJsonSchema";

/** The published JSON Schema of template packages, for anyone. */
export const loader = () =>
  Response.json(packageJsonSchema(), { headers: { "content-type": "application/schema+json" } });
