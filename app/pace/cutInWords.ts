import { type ResolvedShot } from "../../core/document/resolve";

/** How a shot is cut, as an end of a sentence: what is as the clip itself says nothing. */
export function cutInWords({ media, cut }: Pick<ResolvedShot, "media" | "cut">): string {
  if (media.kind !== "clip") return "";
  if (cut.held !== undefined) return `, frame ${cut.held} held`;
  const speed = cut.speed === undefined || cut.speed === 1 ? "" : `, ${cut.speed} times as fast`;
  return `${speed}${cut.reversed ? ", backwards" : ""}`;
}
