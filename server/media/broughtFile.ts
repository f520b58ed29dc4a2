import { type SniffedType } from "./sniff";

/** A file that was brought in and is to be measured. */
export interface BroughtFile {
  /** Where its bytes are. */
  readonly path: string;
  readonly type: SniffedType;
  readonly sha256: string;
  /** What people call it: for problems. */
  readonly name: string;
  /** For what is made on the way. */
  readonly folder: string;
}
