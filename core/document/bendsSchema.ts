import { array, number, object } from "yup";
import { frameJsonSchema, frameSchema } from "./frameSchema";
import { objectJsonSchema } from "./valueJsonSchemas";

/** More places than this are no correction but a path of one's own. */
const MOST_BENDS = 100;

const share = number().min(0).max(1).required();

/** Where the subject of a clip is, at frames of the clip, in the order of the frames. */
export const bendsSchema = array(object({ frame: frameSchema.required(), x: share, y: share }).noUnknown().required())
  .max(MOST_BENDS, `At most ${MOST_BENDS} places.`)
  .required()
  .test("order", "Places are in the order of their frames, one a frame.", (bends) =>
    bends.every(({ frame }, at) => at === 0 || frame > (bends[at - 1]?.frame ?? -1)),
  );

const shareJson = { type: "number", minimum: 0, maximum: 1 };
export const bendsJsonSchema = {
  type: "array",
  maxItems: MOST_BENDS,
  items: objectJsonSchema({
    frame: frameJsonSchema,
    x: shareJson,
    y: shareJson,
  }),
};
