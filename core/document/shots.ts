import { boolean, mixed, number, object, string, type Schema } from "yup";
import { type Millis } from "../units";
import { frameJsonSchema, frameSchema } from "./frameSchema";
import { MEMBER_ID } from "./memberId";
import { orderJsonSchema, orderKey } from "./orderKey";
import { objectJsonSchema } from "./valueJsonSchemas";
import { type Ordered, listedMembers } from "./ordered";

/** How a shot is cut from its picture or clip. What is absent is as long, as fast and as whole as the clip itself. */
export interface ShotCut {
  /** Of a clip: the first frame that is used, and the one after the last, counted in the clip. */
  readonly from?: number | undefined;
  readonly to?: number | undefined;
  /** Times the clip's own speed. */
  readonly speed?: number | undefined;
  readonly reversed?: true | undefined;
  /** A frame of the clip that is held all the time. */
  readonly held?: number | undefined;
  /** How long it is on screen; the last shot of a slot stays to the end of its scene. */
  readonly length?: Millis | undefined;
}

/** Which frames of a clip are used: from one on, up to and without another. */
export interface UsedFrames {
  readonly from: number;
  readonly to: number;
}

/** The frames of a clip that a shot uses. */
export const usedOf = (
  clip: { readonly frames: number },
  { from = 0, to = clip.frames }: Partial<UsedFrames>,
): UsedFrames => {
  const first = Math.max(0, Math.min(from, clip.frames - 1));
  return { from: first, to: Math.max(first + 1, Math.min(to, clip.frames)) };
};

/** A piece of a picture or clip in a slot, where others may come before and after it. */
export interface Shot extends Ordered, ShotCut {
  readonly media: string;
}
export type Shots = Readonly<Record<string, Shot>>;

export const MOST_SHOTS = 24;
/** Nothing is seen in less, in milliseconds. */
export const LEAST_LENGTH_MS = 40;
const frame = frameSchema.optional();

const shot = object({
  order: orderKey,
  media: string().uuid("A media item is named by its id.").required(),
  from: frame,
  to: frame,
  speed: number().min(0.25, "At least a quarter of the speed.").max(8, "At most eight times the speed.").optional(),
  reversed: boolean().oneOf([true], "A shot is reversed, or says nothing of it.").optional(),
  held: frame,
  length: number()
    .integer("Times are whole milliseconds.")
    .min(LEAST_LENGTH_MS, `At least ${LEAST_LENGTH_MS} ms.`)
    .max(60_000)
    .optional(),
})
  .noUnknown()
  .test("some", "A shot uses one frame at least.", ({ from = 0, to }) => to === undefined || to > from);

/** The shots of a slot: one at least. */
export const shotsSchema: Schema<unknown> = mixed()
  .required()
  .test({
    name: "shots",
    test: (value, context) => {
      if (typeof value !== "object" || Array.isArray(value))
        return context.createError({ message: "Shots must be given by name." });
      const members = Object.entries(value);
      if (members.length < 1 || members.length > MOST_SHOTS)
        return context.createError({ message: `A slot shows 1 to ${MOST_SHOTS} shots.` });
      for (const [id, one] of members) {
        if (!MEMBER_ID.test(id))
          return context.createError({ message: "A shot's id is lower-case letters, digits and hyphens." });
        // Throws with the problem of the shot, which becomes this one's.
        shot.validateSync(one, { strict: true });
      }
      return true;
    },
  });

export const shotJsonSchema = objectJsonSchema(
  { order: orderJsonSchema, media: { type: "string", format: "uuid" } },
  {
    from: frameJsonSchema,
    to: frameJsonSchema,
    speed: { type: "number", minimum: 0.25, maximum: 8 },
    reversed: { const: true },
    held: frameJsonSchema,
    length: { type: "integer", minimum: LEAST_LENGTH_MS, maximum: 60_000 },
  },
);

/** A slot filled with a whole picture or clip. */
export const mediaFill = (media: string): { readonly kind: "media"; readonly shots: Shots } => ({
  kind: "media",
  shots: { "shot-1": { order: "a0", media } },
});

/** The shots of a slot in the order they are shown in. */
export const shotsInOrder = (shots: Shots): (Omit<Shot, "order"> & { readonly id: string })[] =>
  listedMembers<string, Shot>(shots);
