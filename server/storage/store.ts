import { config } from "../config";
import { folderStore } from "./folderStore";
import { bucketStore } from "./bucketStore";

/** Where media and renditions are kept. Keys are relative paths made by `keys.ts`; a file is there whole or not at all. */
export interface Store {
  /** Takes a finished local file in under a key (moving it where it can). A key that is there already is left as it is. */
  keep(key: string, localFile: string): Promise<void>;
  has(key: string): Promise<boolean>;
  /** A local file with the contents of a key, for programs that read files. Throws when there is none. */
  local(key: string): Promise<string>;
  remove(key: string): Promise<void>;
}

let shared: Store | null = null;
/** The store of this deployment: a bucket when one is configured, else a folder under the data folder. */
export const store = (): Store =>
  (shared ??= config().S3_BUCKET ? bucketStore(config()) : folderStore(`${config().data}/files`));
