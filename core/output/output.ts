import { type InferType, number, object, string } from "yup";
import { DRAFT, QUALITIES, type Quality } from "../placement/quality";
import { FILE_KINDS, FILE_KIND_NAMES } from "./fileKinds";
import { RATE_NAMES, USUAL_RATE } from "./rates";

/** Less holds no picture; more, nobody asks for. */
export const LEAST_LIMIT_BYTES = 100_000;
export const MOST_LIMIT_BYTES = 4_000_000_000;
export const LOUDNESS_RANGE = { least: -40, most: -5 } as const;

const schema = object({
  kind: string().oneOf(FILE_KIND_NAMES, "Choose a kind of file from the list.").required(),
  quality: string().oneOf(QUALITIES, "Choose a quality from the list.").required(),
  rate: string().oneOf(RATE_NAMES, "Choose a frame rate from the list.").required(),
  /** How many bytes the file may have; null where it is as large as its quality needs. */
  mostBytes: number().integer().min(LEAST_LIMIT_BYTES).max(MOST_LIMIT_BYTES).defined().nullable(),
  /** LUFS of the whole; null where it is as the promotion has it. */
  loudness: number().min(LOUDNESS_RANGE.least).max(LOUDNESS_RANGE.most).defined().nullable(),
  /** The language of the captions inside the file, to be turned on where it is played; null for none. */
  captions: string().max(35).defined().nullable(),
  /** Where the file goes; null where it is made for a format alone. */
  placement: string().max(60).defined().nullable(),
});

/** How a file of a promotion is made, besides its format. */
export type Output = Readonly<InferType<typeof schema>>;

/** Reads how a file is made. Throws what is wrong with it. */
export const readOutput = (value: unknown): Output => schema.validateSync(value);

/** What is made where nothing else is said: as renders were before anything could be. */
export const usualOutput = (quality: Quality): Output => ({
  ...{ kind: "mp4", quality, rate: USUAL_RATE, mostBytes: null, loudness: null, captions: null, placement: null },
});

/** Whether a file is made to be looked at, before anything goes out. */
export const isDraft = ({ quality }: Pick<Output, "quality">): boolean => quality === DRAFT;

/** Whether its frames say that it is a draft: films do. Loops and stills are made that small to be used. */
export const isMarkedDraft = ({ quality, kind }: Pick<Output, "quality" | "kind">): boolean =>
  isDraft({ quality }) && FILE_KINDS[kind].isMoving && FILE_KINDS[kind].hasSound;
