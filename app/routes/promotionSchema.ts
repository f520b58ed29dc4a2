import { promotionJsonSchema } from "../../core/document/promotionJsonSchema";

/** The published JSON Schema of promotions, for anyone. */
export const loader = () =>
  Response.json(promotionJsonSchema(), { headers: { "content-type": "application/schema+json" } });
