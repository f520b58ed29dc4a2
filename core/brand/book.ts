import { recordBy } from "../records";
import { ValidationError, array, boolean, number, object, string, type InferType } from "yup";
import { FORMS, USUAL_FORM } from "./forms";
import { COLOR_ROLES, type Palette } from "../color/palette";

/** Everything a brand is made of, as a versioned document: what was chosen, media by id. */
export type BrandBook = InferType<typeof schema>;

export const LOGO_VARIANTS = ["full", "mark", "light", "dark"] as const;
export type LogoVariant = (typeof LOGO_VARIANTS)[number];

export const FACE_ROLES = ["headline", "text", "figures"] as const;
export type FaceRole = (typeof FACE_ROLES)[number];

export const CORNERS = ["top-left", "top-right", "bottom-left", "bottom-right"] as const;
export type Corner = (typeof CORNERS)[number];

/** What a sign-off can show under its call to action. */
export const SIGN_OFF_LINES = ["website", "phone", "address", "handle", "nothing"] as const;

const hex = string()
  .lowercase()
  .matches(/^#[0-9a-f]{6}$/, "A colour looks like #1a2b3c.")
  .required("Every role needs a colour.");
const color = object({
  name: string().trim().max(40, "At most 40 characters.").required("A colour needs a name."),
  hex,
}).required();
const face = object({
  family: string().trim().max(80).required("Choose a typeface."),
  weight: number().integer().min(1).max(1000).nullable().defined(),
}).required();
const line = (most: number) => string().trim().max(most, `At most ${most} characters.`).defined();
const filled = (most: number) => line(most).required("Write something, or remove the line.");
const signOffLine = string().oneOf(SIGN_OFF_LINES).required();
const colors = object(recordBy(COLOR_ROLES, () => color)).required();

const schema = object({
  version: number<1>()
    .oneOf([1] as const, "This brand book was written by a newer Stencilcraft.")
    .required(),
  colors,
  extras: array(color).max(24, "At most 24 colours besides the roles.").required(),
  faces: object({ headline: face, text: face, figures: face }).required(),
  logos: array(
    object({ variant: string().oneOf(LOGO_VARIANTS).required(), media: string().uuid().required() }).required(),
  )
    .max(LOGO_VARIANTS.length)
    .required(),
  /** Clear space as a share of the logo's height; least width in design units. */
  logoRules: object({
    clearSpace: number().min(0, "Not below 0.").max(1, "At most as much as the logo is high.").required(),
    leastWidth: number().min(40, "At least 40 units.").max(600, "At most 600 units.").required(),
  }).required(),
  contact: object({
    website: line(80),
    phone: line(40),
    address: line(120),
    handles: array(filled(40)).max(12, "At most 12 handles.").required(),
  }).required(),
  calls: array(filled(40))
    .min(1, "A brand needs a call to action, such as “Come and see”.")
    .max(12, "At most 12 phrases.")
    .required(),
  legal: array(filled(200)).max(12, "At most 12 lines.").required(),
  tune: string().uuid().nullable().defined(),
  /** What scenes are revealed in, and what closes over the last. Books that say nothing of it have the usual one. */
  form: string().oneOf(FORMS, "There is no such form.").default(USUAL_FORM),
  signOff: object({ first: signOffLine, second: signOffLine }).required(),
  /** Size as a share of the frame's short side; opacity 0 to 1. */
  watermark: object({
    on: boolean().required(),
    corner: string().oneOf(CORNERS).required(),
    size: number().min(0.05, "At least 5 %.").max(0.3, "At most 30 %.").required(),
    opacity: number().min(0.2, "At least 20 %.").max(1, "At most 100 %.").required(),
  }).required(),
}).required();

/** Reads a brand book at any door. Throws Yup's ValidationError with a problem for each field. */
export function readBrandBook(value: unknown): BrandBook {
  // Too long a list is not looked at piece by piece: that would take seconds for very many.
  for (const [field, most] of MOST_IN_LISTS) {
    const list =
      typeof value === "object" && value !== null ? Object.entries(value).find(([key]) => key === field) : undefined;
    if (Array.isArray(list?.[1]) && list[1].length > most)
      throw new ValidationError(`At most ${most}.`, undefined, field);
  }
  return schema.validateSync(value, { abortEarly: false, stripUnknown: true });
}
/** So many times what the lists hold at most that a small excess is told in the words of its own field. */
const MOST_IN_LISTS = [
  ["extras", 100],
  ["logos", 100],
  ["calls", 100],
  ["legal", 100],
] as const;

/** The colours by role. */
export const paletteOf = ({ colors }: Pick<BrandBook, "colors">): Palette =>
  recordBy(COLOR_ROLES, (role) => colors[role].hex);

/** A book to start from: quiet colours that can be read on each other, and nothing else filled in. */
export function newBrandBook(): BrandBook {
  const start: Palette = {
    ground: "#f3eee3",
    card: "#ffffff",
    ink: "#20282a",
    primary: "#2f4f6b",
    accent: "#c9603a",
    sale: "#b3261e",
  };
  return {
    version: 1,
    colors: recordBy(COLOR_ROLES, (role) => ({ name: role, hex: start[role] })),
    extras: [],
    faces: {
      headline: { family: "Bricolage Grotesque", weight: null },
      text: { family: "Instrument Sans", weight: null },
      figures: { family: "Bricolage Grotesque", weight: null },
    },
    logos: [],
    logoRules: { clearSpace: 0.25, leastWidth: 160 },
    contact: { website: "", phone: "", address: "", handles: [] },
    calls: ["Come and see"],
    legal: [],
    tune: null,
    form: USUAL_FORM,
    signOff: { first: "website", second: "handle" },
    watermark: { on: false, corner: "top-right", size: 0.12, opacity: 0.7 },
  };
}

/** The words of a sign-off's line; empty where the book has none. */
export function signOffWords(
  { contact, signOff }: Pick<BrandBook, "contact" | "signOff">,
  which: "first" | "second",
): string {
  switch (signOff[which]) {
    case "website":
      return contact.website;
    case "phone":
      return contact.phone;
    case "address":
      return contact.address;
    case "handle":
      return contact.handles[0] ?? "";
    case "nothing":
      return "";
  }
}
