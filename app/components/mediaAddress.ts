import { type MediaFacts } from "../../core/document/facts";

/**
 * The address of a working copy of a media item. It names the version that is meant, where that is known: browsers keep
 * what it gives for good, and fetch another one when the file was replaced.
 */
export const mediaAddress = ({ id, version }: Pick<MediaFacts, "id" | "version">, file: string): string =>
  `/media/${id}/${file}${version === undefined ? "" : `?of=${version}`}`;
