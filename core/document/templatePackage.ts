import { DAY } from "../offer/days";
import { type Adjustments } from "./adjustments";
import { mediaBehind } from "./named";
import { array, object, string, number } from "yup";
import { FACE_ROLES } from "../brand/book";
import { type Slot } from "./sceneTemplate";
import { type Template } from "./template";

/** A media file of a package with what is known of its rights. */
export interface PackagedMedia {
  /** Its path in the zip. */
  readonly file: string;
  readonly name: string;
  readonly kind: "picture" | "clip";
  readonly sha256: string;
  readonly rights: {
    readonly source: string;
    readonly licence: string;
    readonly holder: string;
    readonly from: string | null;
    readonly to: string | null;
  };
}

/** `template.json` of a package: the document with its media by path, and what goes with it. */
export interface TemplatePackage {
  readonly format: typeof PACKAGE_FORMAT;
  readonly version: 1;
  readonly template: unknown;
  readonly media: readonly PackagedMedia[];
  /** Names of the typefaces it was seen in; packages carry none, since templates take the brand's. */
  readonly fonts: readonly { readonly role: string; readonly family: string }[];
}

export const PACKAGE_FORMAT = "stencilcraft-template";
export const PACKAGE_FILE = "template.json";
export const MOST_PACKAGED_MEDIA = 60;

const file = string()
  .matches(/^media\/[^/\\]+$/, "Media lies in the folder “media”.")
  .required();
const note = string().max(200, "At most 200 characters.").defined();
const day = string().matches(DAY, "A day looks like 2026-11-29.").nullable().defined();
const schema = object({
  format: string<typeof PACKAGE_FORMAT>()
    .oneOf([PACKAGE_FORMAT] as const, "This is not a template package.")
    .required(),
  version: number<1>()
    .oneOf([1] as const, "This package was written by a newer Stencilcraft.")
    .required(),
  media: array(
    object({
      file,
      name: string().matches(/\S/, "This must not be blank.").max(200).required(),
      kind: string()
        .oneOf(["picture", "clip"] as const)
        .required(),
      sha256: string()
        .matches(/^[0-9a-f]{64}$/, "A SHA-256 has 64 digits.")
        .required(),
      rights: object({ source: note, licence: note, holder: note, from: day, to: day }).noUnknown().required(),
    })
      .noUnknown()
      .required(),
  )
    .max(MOST_PACKAGED_MEDIA, `A package has at most ${MOST_PACKAGED_MEDIA} media files.`)
    .required(),
  fonts: array(
    object({ role: string().oneOf(FACE_ROLES).required(), family: string().max(80).required() })
      .noUnknown()
      .required(),
  )
    .max(20)
    .required(),
});

/** Reads `template.json`. The template in it is read by `readTemplate` once its media have ids. Throws Yup's ValidationError. */
export function readPackage(value: unknown): TemplatePackage {
  const read = schema.validateSync(value, { strict: true, abortEarly: false });
  const template: unknown =
    typeof value === "object" && value !== null && "template" in value ? value.template : undefined;
  return { format: read.format, version: read.version, media: read.media, fonts: read.fonts, template };
}

/** A template with its media named another way; what `rename` gives null for has no media any more. */
export function renameMedia(template: Template, rename: (media: string) => string | null): Template {
  const renamed = (slot: Slot): Slot => {
    if (slot.kind !== "media" || slot.media === undefined) return slot;
    const { media, ...others } = slot;
    const name = rename(media);
    return name === null ? others : { ...others, media: name };
  };
  return {
    ...template,
    scenes: template.scenes.map((scene) => ({ ...scene, slots: scene.slots.map(renamed) })),
    adjustments: renamedBehind(template.adjustments, rename),
  };
}

/** What is seen beside pictures, named another way; without it where it has no name any more. */
const renamedBehind = (adjustments: Adjustments, rename: (media: string) => string | null): Adjustments =>
  Object.fromEntries(
    Object.entries(adjustments).flatMap(([key, { behind, ...others }]) => {
      const media = behind?.kind === "picture" ? rename(behind.media) : null;
      const kept =
        behind === undefined || (behind.kind === "picture" && media === null)
          ? others
          : { ...others, behind: behind.kind === "picture" ? { ...behind, media: media ?? "" } : behind };
      return Object.keys(kept).length > 0 ? [[key, kept] as const] : [];
    }),
  );

/** The media that a template shows where nothing is filled. */
export const mediaOfTemplate = ({ scenes, adjustments }: Pick<Template, "scenes" | "adjustments">): string[] => [
  ...new Set([
    ...scenes.flatMap(({ slots }) =>
      slots.flatMap((slot) => (slot.kind === "media" && slot.media !== undefined ? [slot.media] : [])),
    ),
    ...mediaBehind(adjustments),
  ]),
];
