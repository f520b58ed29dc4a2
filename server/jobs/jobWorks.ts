import { type Kysely } from "kysely";
import { connected } from "../channels/connected";
import { giveUpPost, sendPost } from "../channels/postJob";
import { readAllViews } from "../channels/postViews";
import { type Database } from "../db/tables";
import { teamScope } from "../db/teamScope";
import { followMedia } from "../media/followJob";
import { giveUpIngest, ingestMedia } from "../media/ingest";
import { compareRenders } from "../promotions/outdated";
import { type PaintPool } from "../render/paintPool";
import { giveUpRendition, renderRendition } from "../render/renditionJob";
import { giveUpSegment, paintSegment } from "../render/segmentJob";
import { sharedPainter } from "../render/sharedPainter";
import { tidyUp } from "../retention/tidyUp";
import { checkApproval } from "../review/promotionReview";
import { type JobName } from "./enqueue";
import { type JobWork } from "./jobTask";

export type JobWorks = { readonly [Name in JobName]: JobWork<Name> };

/** What each job does. @param stopping aborted when the worker stops */
export function jobWorks(db: Kysely<Database>, pool: PaintPool, stopping: AbortSignal): JobWorks {
  return {
    "ingest-media": {
      run: ({ media, replacement }) => ingestMedia(db, media, replacement),
      giveUp: ({ media, replacement }, why) => giveUpIngest(db, media, why, replacement),
    },
    "follow-subject": { run: ({ media }) => followMedia(db, media) },
    "compare-renders": {
      async run({ team, promotions, reason }) {
        await compareRenders(teamScope(db, team), promotions, reason);
        return { team };
      },
    },
    "check-approval": {
      async run({ team, promotion }) {
        await checkApproval(teamScope(db, team), promotion);
        return { team };
      },
    },
    "send-post": { run: (asked) => sendPost(db, connected(), asked), giveUp: (asked) => giveUpPost(db, asked) },
    "read-views": { run: () => readAllViews(db, connected()) },
    "tidy-up": { run: () => tidyUp(db, new Date()).then(() => undefined) },
    "render-rendition": {
      run: (asked) => renderRendition(db, sharedPainter(db, asked, stopping), asked),
      giveUp: (asked, why) => giveUpRendition(db, asked, why),
    },
    "paint-segment": {
      run: (asked) => paintSegment(db, pool, asked),
      giveUp: (asked, why) => giveUpSegment(db, asked, why),
    },
  };
}
