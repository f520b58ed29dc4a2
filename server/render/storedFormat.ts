import { type FormatName, isFormatName } from "../../core/placement/formats";

/** The format of a rendition as the database holds it. Throws where there is no such format: only ours are written there. */
export function storedFormat(stored: string): FormatName {
  if (!isFormatName(stored)) throw new TypeError(`A stored rendition has the format “${stored}”, which there is not.`);
  return stored;
}
