import { array, boolean, number, object, string } from "yup";
import { FADE_CURVES, type FadeCurve } from "../sound/fadeCurves";
import { CHARACTERS, CLEANINGS, type Character, type Cleaning } from "../sound/treatment";
import { type Millis } from "../units";
import { type SoundFacts } from "./facts";
import { type RecordPart } from "./documentShape";
import { type Ordered } from "./ordered";
import { MEMBER_ID } from "./memberId";
import { MOST_SAID } from "./script";
import { orderJsonSchema, orderKey } from "./orderKey";
import { objectJsonSchema } from "./valueJsonSchemas";
import { Refusal } from "../refusal";

/** What a piece of sound is for; it lies on the lane of that name. */
export const LANES = ["music", "voice", "effects"] as const;
export type Lane = (typeof LANES)[number];

/** A piece of sound in a promotion. Music that says nothing of its time and fades plays as the template has it. */
export interface SoundPiece extends Ordered {
  readonly lane: Lane;
  readonly media: string;
  /** When it begins, in the promotion. */
  readonly at?: Millis | undefined;
  /** Where it is taken from, in the sound. */
  readonly from?: Millis | undefined;
  /** How much of it is used; to its end, or that of the promotion, when absent. */
  readonly length?: Millis | undefined;
  /** Decibels more or less than it would have. */
  readonly gain?: number | undefined;
  readonly fadeIn?: Millis | undefined;
  readonly fadeOut?: Millis | undefined;
  /** How it fades; evenly where nothing is said. */
  readonly curve?: FadeCurve | undefined;
  /** How loud it is over time besides: straight from point to point. */
  readonly points?: readonly GainPoint[] | undefined;
  /** Whether it is not heard. */
  readonly muted?: true | undefined;
  /** Whether it begins again at its end. */
  readonly loop?: true | undefined;
  /** The words that are said in it. */
  readonly says?: string | undefined;
  /** What is cleaned up in it, and what it is made to sound like. */
  readonly cleaned?: readonly Cleaning[] | undefined;
  readonly character?: Character | undefined;
  /** Other takes of it that are kept: sounds that can be heard in its place. */
  readonly takes?: readonly string[] | undefined;
}

/** Decibels more or less at a time, counted from where the piece begins. */
export interface GainPoint {
  readonly at: Millis;
  readonly gain: number;
}
export type Lanes = Readonly<Record<string, SoundPiece>>;

const LONGEST_MS = 24 * 3_600_000;
const LONGEST_FADE_MS = 60_000;
const time = (most: number) => number().integer("Times are whole milliseconds.").min(0).max(most).optional();
/** How much softer and louder a piece can be made, in decibels, and the step in which that is typed. */
export const GAINS = { least: -60, most: 20, step: 0.5 } as const;
/** A piece is heard for so long at least, in milliseconds. */
export const SHORTEST_PIECE_MS = 40;
const gain = number().min(GAINS.least, "At least −60 dB.").max(GAINS.most, "At most +20 dB.");
export const MOST_GAIN_POINTS = 64;
/** Other takes kept of one piece. */
export const MOST_TAKES = 20;
const gainPoint = object({
  at: number().integer("Times are whole milliseconds.").min(0).max(LONGEST_MS).required(),
  gain: gain.required(),
})
  .noUnknown()
  .required();
const piece = object({
  order: orderKey,
  lane: string()
    .oneOf(LANES, `A lane is one of: ${LANES.join(", ")}.`)
    .required(),
  media: string().uuid("A media item is named by its id.").required(),
  at: time(LONGEST_MS),
  from: time(LONGEST_MS),
  length: time(LONGEST_MS),
  gain: gain.optional(),
  fadeIn: time(LONGEST_FADE_MS),
  fadeOut: time(LONGEST_FADE_MS),
  curve: string().oneOf(FADE_CURVES, "There is no such curve.").optional(),
  points: array(gainPoint)
    .min(1, "A level has a point at least.")
    .max(MOST_GAIN_POINTS, `A piece has at most ${MOST_GAIN_POINTS} points of level.`)
    .test("order", "Points of level come one after the other.", (points) => inOrderOfTime(points ?? []))
    .optional(),
  muted: boolean().oneOf([true], "A piece is muted, or says nothing of it.").optional(),
  loop: boolean().oneOf([true], "A piece loops, or says nothing of it.").optional(),
  says: string()
    .min(1, "Nothing is said in it.")
    .max(MOST_SAID, `In one piece at most ${MOST_SAID} characters are said.`)
    .optional(),
  cleaned: array(string().oneOf(CLEANINGS, "There is no such cleaning up.").required())
    .min(1)
    .max(CLEANINGS.length)
    .optional(),
  character: string().oneOf(CHARACTERS, "A voice can’t be made to sound like that.").optional(),
  takes: array(string().uuid("A take is named by its id.").required())
    .min(1)
    .max(MOST_TAKES, `Of a piece at most ${MOST_TAKES} other takes are kept.`)
    .optional(),
})
  .noUnknown()
  .required();

const inOrderOfTime = (points: readonly { readonly at: number }[]): boolean =>
  points.every(({ at }, index) => index === 0 || at > (points[index - 1]?.at ?? 0));

export const MOST_SOUND_PIECES = 100;

/** The sounds of a promotion. */
export const LANES_PART: RecordPart = {
  least: 0,
  most: MOST_SOUND_PIECES,
  named: "piece of sound",
  read: (key, value) => {
    if (!MEMBER_ID.test(key)) throw new Refusal(`“${key}” can't be the id of a piece of sound.`);
    return piece.validateSync(value, { strict: true });
  },
};

const timeJsonSchema = (most: number) => ({ type: "integer", minimum: 0, maximum: most });
const gainJsonSchema = { type: "number", minimum: GAINS.least, maximum: GAINS.most };
export const pieceJsonSchema = objectJsonSchema(
  { order: orderJsonSchema, lane: { enum: LANES }, media: { type: "string", format: "uuid" } },
  {
    at: timeJsonSchema(LONGEST_MS),
    from: timeJsonSchema(LONGEST_MS),
    length: timeJsonSchema(LONGEST_MS),
    gain: gainJsonSchema,
    fadeIn: timeJsonSchema(LONGEST_FADE_MS),
    fadeOut: timeJsonSchema(LONGEST_FADE_MS),
    curve: { enum: [...FADE_CURVES] },
    points: {
      type: "array",
      minItems: 1,
      maxItems: MOST_GAIN_POINTS,
      items: objectJsonSchema({ at: timeJsonSchema(LONGEST_MS), gain: gainJsonSchema }),
    },
    muted: { const: true },
    loop: { const: true },
    says: { type: "string", minLength: 1, maxLength: MOST_SAID },
    cleaned: { type: "array", minItems: 1, maxItems: CLEANINGS.length, items: { enum: [...CLEANINGS] } },
    character: { enum: [...CHARACTERS] },
    takes: { type: "array", minItems: 1, maxItems: MOST_TAKES, items: { type: "string", format: "uuid" } },
  },
);

/** How long a piece is heard, in milliseconds. @param length of the promotion */
export function heardFor(
  { at, from, length: wanted, loop }: Omit<SoundPiece, "order">,
  sound: SoundFacts,
  length: number,
): number {
  const room = Math.max(0, Math.min(wanted ?? Infinity, length - (at ?? 0)));
  return loop ? room : Math.min(room, Math.max(0, sound.length - (from ?? 0)));
}

/** The piece that a promotion's one tune is, by its id. */
export const TUNE = "tune";

/** Sounds of which one tune is all. */
export const tuneLanes = (media: string | null): Lanes =>
  media === null ? {} : { [TUNE]: { order: "a0", lane: "music", media } };

/** The tune of a promotion; null where it has none. */
export const tuneOf = ({ lanes }: { readonly lanes: Lanes }): string | null => lanes[TUNE]?.media ?? null;
