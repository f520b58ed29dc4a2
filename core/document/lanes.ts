import { boolean, number, object, string } from "yup";
import { type Millis } from "../units";
import { type RecordPart } from "./documentShape";
import { type Ordered } from "./ordered";
import { MEMBER_ID } from "./memberId";
import { orderJsonSchema, orderKey } from "./orderKey";
import { objectJsonSchema } from "./valueJsonSchemas";

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
  /** Whether it begins again at its end. */
  readonly loop?: true | undefined;
}
export type Lanes = Readonly<Record<string, SoundPiece>>;

const LONGEST_MS = 24 * 3_600_000;
const LONGEST_FADE_MS = 60_000;
const time = (most: number) => number().integer("Times are whole milliseconds.").min(0).max(most).optional();
const piece = object({
  order: orderKey,
  lane: string()
    .oneOf(LANES, `A lane is one of: ${LANES.join(", ")}.`)
    .required(),
  media: string().uuid("A media item is named by its id.").required(),
  at: time(LONGEST_MS),
  from: time(LONGEST_MS),
  length: time(LONGEST_MS),
  gain: number().min(-60, "At least −60 dB.").max(20, "At most +20 dB.").optional(),
  fadeIn: time(LONGEST_FADE_MS),
  fadeOut: time(LONGEST_FADE_MS),
  loop: boolean().oneOf([true], "A piece loops, or says nothing of it.").optional(),
})
  .noUnknown()
  .required();

export const MOST_SOUND_PIECES = 100;

/** The sounds of a promotion. */
export const LANES_PART: RecordPart = {
  least: 0,
  most: MOST_SOUND_PIECES,
  named: "piece of sound",
  read: (key, value) => {
    if (!MEMBER_ID.test(key)) throw new TypeError(`“${key}” can't be the id of a piece of sound.`);
    return piece.validateSync(value, { strict: true });
  },
};

const timeJsonSchema = (most: number) => ({ type: "integer", minimum: 0, maximum: most });
export const pieceJsonSchema = objectJsonSchema(
  { order: orderJsonSchema, lane: { enum: LANES }, media: { type: "string", format: "uuid" } },
  {
    at: timeJsonSchema(LONGEST_MS),
    from: timeJsonSchema(LONGEST_MS),
    length: timeJsonSchema(LONGEST_MS),
    gain: { type: "number", minimum: -60, maximum: 20 },
    fadeIn: timeJsonSchema(LONGEST_FADE_MS),
    fadeOut: timeJsonSchema(LONGEST_FADE_MS),
    loop: { const: true },
  },
);

/** The piece that a promotion's one tune is, by its id. */
export const TUNE = "tune";

/** Sounds of which one tune is all. */
export const tuneLanes = (media: string | null): Lanes =>
  media === null ? {} : { [TUNE]: { order: "a0", lane: "music", media } };

/** The tune of a promotion; null where it has none. */
export const tuneOf = ({ lanes }: { readonly lanes: Lanes }): string | null => lanes[TUNE]?.media ?? null;
