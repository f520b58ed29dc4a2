import { config } from "../config";
import { folderStore } from "./folderStore";
import { openedLater } from "./openedLater";
import { type Store } from "./storeType";

let shared: Store | null = null;
/** The store of this deployment: a bucket when one is configured, else a folder under the data folder. */
export const store = (): Store =>
  (shared ??= config().S3_BUCKET ? openedLater(openBucket) : folderStore(`${config().data}/files`));

/** What speaks to buckets is large, and only those who have one load it. */
async function openBucket(): Promise<Store> {
  const { bucketStore } = await import("./bucketStore");
  return bucketStore(config());
}
