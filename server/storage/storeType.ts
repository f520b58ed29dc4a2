/** Where media and renditions are kept. Keys are relative paths made by `keys.ts`; a file is there whole or not at all. */
export interface Store {
  /** Takes a finished local file in under a key (moving it where it can). A key that is there already is left as it is. */
  keep(key: string, localFile: string): Promise<void>;
  has(key: string): Promise<boolean>;
  /** A local file with the contents of a key, for programs that read files. Throws when there is none. */
  local(key: string): Promise<string>;
  /** The names of the files that lie in a folder itself, in order. */
  list(folder: string): Promise<string[]>;
  remove(key: string): Promise<void>;
  /** All that lies under a folder, however deep. */
  under(folder: string): AsyncIterable<StoredFile>;
}

/** A file of the store, as it lies there. */
export interface StoredFile {
  readonly key: string;
  readonly bytes: number;
  /** When it was kept. */
  readonly keptAt: Date;
}
