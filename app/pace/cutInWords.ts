import { speedsOf } from "../../core/document/shots";
import { type ResolvedShot } from "../../core/document/resolve";

/** How a shot is cut, as an end of a sentence: what is as the clip itself says nothing. */
export function cutInWords({ media, cut }: Pick<ResolvedShot, "media" | "cut">): string {
  if (media.kind !== "clip") return "";
  if (cut.held !== undefined) return `, frame ${cut.held} held`;
  const { first, last } = speedsOf(cut);
  const steady = first === 1 ? "" : `, ${first} times as fast`;
  const speed = first === last ? steady : `, from ${first} to ${last} times as fast`;
  return `${speed}${cut.reversed ? ", backwards" : ""}`;
}
