import { RIGHTS_WORDS } from "../../core/document/rights";
import type { OfferedMedia } from "../../server/media/offeredMedia";

/** Sounds to choose from in a list, with what is wrong about the rights of one. */
export function SoundOptions({ sounds }: { sounds: readonly OfferedMedia[] }) {
  return sounds.map(({ facts: { id, name }, rights }) => (
    <option key={id} value={id}>
      {name.replace(/\.\w+$/, "")}
      {rights === "clear" ? "" : ` (${RIGHTS_WORDS[rights]})`}
    </option>
  ));
}
