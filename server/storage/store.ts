import { config } from "../config";
import { bucketStore } from "./bucketStore";
import { folderStore } from "./folderStore";
import { type Store } from "./storeType";

let shared: Store | null = null;
/** The store of this deployment: a bucket when one is configured, else a folder under the data folder. */
export const store = (): Store =>
  (shared ??= config().S3_BUCKET ? bucketStore(config()) : folderStore(`${config().data}/files`));
