import { type InferType, number, object, string } from "yup";

const schema = object({
  format: string().required(),
  width: number().required(),
  height: number().required(),
  fps: number().required(),
  frames: number().required(),
  seconds: number().required(),
  bytes: number().required(),
});

/** What a finished file is. */
export type RenderedFile = Readonly<InferType<typeof schema>>;

/** Reads what the database holds of a finished file. Throws where it is none. */
export const readRenderedFile = (stored: unknown): RenderedFile => schema.validateSync(stored);
