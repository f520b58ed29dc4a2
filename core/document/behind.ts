import { number, object, string, type Schema } from "yup";
import { COLOR_ROLES, type ColorRole } from "../color/palette";
import { oneOfKinds } from "./oneOfKinds";
import { type Json, objectJsonSchema } from "./valueJsonSchemas";

/** A colour by its role in the brand, or any colour as `#rrggbb`. */
export type AnyColor = ColorRole | `#${string}`;

/** What is seen where a picture leaves its place free. */
export type Behind =
  | { readonly kind: "color"; readonly color: AnyColor }
  | {
      readonly kind: "gradient";
      readonly from: AnyColor;
      readonly to: AnyColor;
      /** Degrees, clockwise; at 0 it goes from the left to the right. */
      readonly angle: number;
    }
  | { readonly kind: "picture"; readonly media: string };
export type BehindKind = Behind["kind"];
export const BEHIND_KINDS: readonly BehindKind[] = ["color", "gradient", "picture"];

const HEX = "#[0-9a-f]{6}";
const COLOR = new RegExp(`^(?:${COLOR_ROLES.join("|")}|${HEX})$`);
const color = string()
  .matches(COLOR, `A colour is one of ${COLOR_ROLES.join(", ")}, or written as #rrggbb.`)
  .required();
const kind = (name: BehindKind) => string().oneOf([name]).required();
const SCHEMAS = {
  color: object({ kind: kind("color"), color }).noUnknown(),
  gradient: object({
    kind: kind("gradient"),
    from: color,
    to: color,
    angle: number().min(-180).max(180).required(),
  }).noUnknown(),
  picture: object({
    kind: kind("picture"),
    media: string().uuid("A media item is named by its id.").required(),
  }).noUnknown(),
} as const;

export const behindSchema = oneOfKinds(
  "kind",
  BEHIND_KINDS,
  (name) => SCHEMAS[name],
  "Behind a picture is a colour, a gradient or another picture.",
) as (value: unknown) => Schema<Behind>;

const colorJsonSchema: Json = { type: "string", pattern: COLOR.source };
export const behindJsonSchema: Json = {
  oneOf: [
    objectJsonSchema({ kind: { const: "color" }, color: colorJsonSchema }),
    objectJsonSchema({
      kind: { const: "gradient" },
      from: colorJsonSchema,
      to: colorJsonSchema,
      angle: { type: "number", minimum: -180, maximum: 180 },
    }),
    // By its id; in a package, by its file.
    objectJsonSchema({ kind: { const: "picture" }, media: { type: "string", minLength: 1 } }),
  ],
};
