import { type MediaFacts } from "../../core/document/facts";
import { mediaAddress } from "./mediaAddress";

/** Address of the working copy nearest above a wanted width. */
export function thumbAddress(facts: MediaFacts, width: number): string | null {
  if (facts.kind === "sound") return null;
  const level = Math.min(facts.levels - 1, Math.max(0, Math.floor(Math.log2(facts.width / width))));
  return mediaAddress(facts, `level-${level}`);
}

export const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

export function megabytes(bytes: number): string {
  if (bytes >= 1e9) return `${(bytes / 1e9).toFixed(1)} GB`;
  return bytes >= 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1000))} kB`;
}

/** What an item is, in figures. */
export function factLine(facts: MediaFacts): string {
  if (facts.kind === "sound")
    return `${seconds(facts.length)} · ${facts.loudness === null ? "silent" : `${facts.loudness.toFixed(1)} LUFS`}`;
  const size = `${facts.width} × ${facts.height}`;
  if (facts.kind === "picture") return size;
  const rate = facts.rate.numerator / facts.rate.denominator;
  return `${size} · ${seconds((facts.frames / rate) * 1000)} · ${Number(rate.toFixed(2))} fps`;
}
