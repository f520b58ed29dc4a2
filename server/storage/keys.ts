/** Where each kind of file lies in the store. Media lies under the SHA-256 of the original, renditions under their id. */
const SHA = /^[0-9a-f]{64}$/;

/** The folder of all that is kept of a file: the original and everything made of it. */
export function folderOf(sha256: string): string {
  if (!SHA.test(sha256)) throw new RangeError("Media is stored under its SHA-256 only.");
  return `media/${sha256.slice(0, 2)}/${sha256}`;
}

export const originalKey = (sha256: string): string => `${folderOf(sha256)}/original`;
export const levelKey = (sha256: string, level: number): string => `${folderOf(sha256)}/level-${level}.webp`;
export const workKey = (sha256: string): string => `${folderOf(sha256)}/work.mp4`;
export const proxyKey = (sha256: string): string => `${folderOf(sha256)}/proxy.mp4`;
export const measuredKey = (sha256: string, version: number): string => `${folderOf(sha256)}/measured-${version}.json`;
export const stripKey = (sha256: string): string => `${folderOf(sha256)}/strip.webp`;
export const tonesKey = (sha256: string): string => `${folderOf(sha256)}/tones.json`;
export const soundProxyKey = (sha256: string): string => `${folderOf(sha256)}/proxy.m4a`;
export const samplesKey = (sha256: string): string => `${folderOf(sha256)}/samples.s16le`;
/** @param file what its samples are called (see `samplesFile`) */
export const versionKey = (sha256: string, file: string): string => `${folderOf(sha256)}/${file}.s16le`;
export function fontKey(sha256: string): string {
  if (!SHA.test(sha256)) throw new RangeError("Fonts are stored under their SHA-256 only.");
  return `fonts/${sha256}.ttf`;
}
export const shelfKey = (hash: string, ending: string): string => `shelf/${hash.slice(0, 2)}/${hash}.${ending}`;
export const segmentKey = (hash: string): string => `segments/${hash.slice(0, 2)}/${hash}.mp4`;
export const soundTrackKey = (hash: string): string => `segments/${hash.slice(0, 2)}/${hash}.m4a`;
export const stillKey = (hash: string): string => `stills/${hash.slice(0, 2)}/${hash}.png`;
export const renditionKey = (renditionId: string, ending = "mp4"): string => `renditions/${renditionId}.${ending}`;
