import { createHash } from "node:crypto";
import { join } from "node:path";
import { type Promotion } from "../../core/document/promotion";
import { formatOf, type FormatName } from "../../core/placement/formats";
import { paintedStretch } from "../../core/scene/paintedText";
import { settledTime } from "../../core/scene/preparePromotion";
import { PAINTER_VERSION } from "../../paint/painter";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { stillKey } from "../storage/keys";
import { store } from "../storage/store";
import { type Threads, openThreads } from "../threads/openThreads";
import { type StillTask } from "./stillThread";
import { preparedInput } from "./preparedInput";
import { ticksOf } from "../../core/time/ticks";
import { inWorkFolder } from "../workFolder";

/** Paints a still to a file. */
export const paintStillTo = (task: StillTask): Promise<undefined> => stillThreads().run(task);

/** How large stills are, by their short side in pixels: beside others, or alone. */
const SHORT_SIDES = { small: 360, large: 720 } as const;
export type StillSize = keyof typeof SHORT_SIDES;

let threads: Threads<StillTask, undefined> | null = null;
/** One thread, started when the first still is wanted and ended when none is for a while. */
const stillThreads = (): Threads<StillTask, undefined> =>
  (threads ??= openThreads("server/render/stillThread.ts", { minThreads: 0, maxThreads: 1, idleTimeout: 60_000 }));

/** Which still: of which scene, counted from 0, in which format. */
export interface StillWish {
  readonly format: FormatName;
  readonly scene: number;
  readonly size?: StillSize;
}

/** A local PNG of a scene's settled moment, painted on first use and kept under a hash of all it shows. */
export async function stillFile(
  scope: TeamScope,
  document: Promotion,
  { format, scene, size: wanted = "small" }: StillWish,
): Promise<string> {
  const side = SHORT_SIDES[wanted];
  const input = await loadRenderInput(scope, document);
  const prepared = await preparedInput(input, format);
  const span = prepared.spans[scene] ?? prepared.spans[0];
  if (!span) throw new Response("This promotion has no scene.", { status: 404 });
  const time = ticksOf(settledTime(span));
  const painted = paintedStretch(prepared, [time], input.hashes);
  const decides = JSON.stringify([PAINTER_VERSION, side, painted]);
  const key = stillKey(createHash("sha256").update(decides).digest("hex"));
  if (!(await store().has(key))) {
    const { width, height } = formatOf(format);
    const size = { width: Math.round((width * side) / 1080), height: Math.round((height * side) / 1080) };
    await inWorkFolder("still", async (folder) => {
      const path = join(folder, "still.png");
      await paintStillTo({ input, format, time, size, path });
      await store().keep(key, path);
    });
  }
  return store().local(key);
}
