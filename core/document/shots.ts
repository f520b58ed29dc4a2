import { boolean, mixed, number, object, string, type Schema } from "yup";
import { type Millis, millis } from "../units";
import { JOINS, JOIN_COLORS, type JoinColor, type JoinKind } from "./joins";
import { frameJsonSchema, frameSchema } from "./frameSchema";
import { MEMBER_ID } from "./memberId";
import { orderJsonSchema, orderKey } from "./orderKey";
import { type Json, objectJsonSchema } from "./valueJsonSchemas";
import { type Ordered, listedMembers } from "./ordered";

/** How a shot is cut from its picture or clip. What is absent is as long, as fast and as whole as the clip itself. */
export interface ShotCut {
  /** Of a clip: the first frame that is used, and the one after the last, counted in the clip. */
  readonly from?: number | undefined;
  readonly to?: number | undefined;
  /** Times the clip's own speed: at its start, where it is another at its end. */
  readonly speed?: number | undefined;
  /** Times the clip's own speed at its end, which it comes to evenly over time. */
  readonly endSpeed?: number | undefined;
  /** Whether its sound is as high as it was however fast it is. Of a speed that changes it is not. */
  readonly pitchKept?: true | undefined;
  /** Whether, between two frames of the clip, both are seen, each as much as it is near. */
  readonly blended?: true | undefined;
  readonly reversed?: true | undefined;
  /** A frame of the clip that is held all the time. */
  readonly held?: number | undefined;
  /** How long it is on screen; the last shot of a slot stays to the end of its scene. */
  readonly length?: Millis | undefined;
  /** How it comes in over the shot before it; it follows at once where this is not said. */
  readonly comesBy?: JoinKind | undefined;
  /** How long both are on screen then. */
  readonly comesOver?: Millis | undefined;
  /** What is seen between them where a colour is. */
  readonly comesThrough?: JoinColor | undefined;
}

/** How long a shot takes to come in where nobody said so. */
export const USUAL_COMES_OVER = millis(400);

/** How fast a clip passes at the start and the end of a shot, times its own speed. */
export const speedsOf = ({
  speed = 1,
  endSpeed = speed,
}: ShotCut): { readonly first: number; readonly last: number } => ({
  first: speed,
  last: endSpeed,
});

/** How fast a clip passes in a shot on the whole. */
export function meanSpeed(cut: ShotCut): number {
  const { first, last } = speedsOf(cut);
  return (first + last) / 2;
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
const [SLOWEST, FASTEST] = [0.25, 8] as const;
/** A shot takes so long to come in at most, in milliseconds. */
export const MOST_COMES_OVER = 3000;
/** As fast as a clip may pass. */
export const SPEEDS = { least: SLOWEST, most: FASTEST } as const;

const speed = number()
  .min(SLOWEST, "At least a quarter of the speed.")
  .max(FASTEST, "At most eight times the speed.")
  .optional();
const said = (problem: string) => boolean().oneOf([true], problem).optional();

const shot = object({
  order: orderKey,
  media: string().uuid("A media item is named by its id.").required(),
  from: frame,
  to: frame,
  speed,
  endSpeed: speed,
  pitchKept: said("The pitch is kept, or nothing is said of it."),
  blended: said("Frames are blended, or nothing is said of it."),
  reversed: said("A shot is reversed, or says nothing of it."),
  held: frame,
  length: number()
    .integer("Times are whole milliseconds.")
    .min(LEAST_LENGTH_MS, `At least ${LEAST_LENGTH_MS} ms.`)
    .max(60_000)
    .optional(),
  comesBy: string().oneOf(JOINS, "There is no such join.").optional(),
  comesOver: number()
    .integer("Times are whole milliseconds.")
    .min(LEAST_LENGTH_MS)
    .max(MOST_COMES_OVER, "A join takes three seconds at most.")
    .optional(),
  comesThrough: string().oneOf(JOIN_COLORS, "There is no such colour.").optional(),
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

const speedJsonSchema: Json = { type: "number", minimum: SLOWEST, maximum: FASTEST };

export const shotJsonSchema = objectJsonSchema(
  { order: orderJsonSchema, media: { type: "string", format: "uuid" } },
  {
    from: frameJsonSchema,
    to: frameJsonSchema,
    speed: speedJsonSchema,
    endSpeed: speedJsonSchema,
    pitchKept: { const: true },
    blended: { const: true },
    reversed: { const: true },
    held: frameJsonSchema,
    length: { type: "integer", minimum: LEAST_LENGTH_MS, maximum: 60_000 },
    comesBy: { enum: [...JOINS] },
    comesOver: { type: "integer", minimum: LEAST_LENGTH_MS, maximum: MOST_COMES_OVER },
    comesThrough: { enum: [...JOIN_COLORS] },
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
