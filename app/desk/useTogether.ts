import { useState } from "react";
import { type PlacedKey } from "../../core/document/placedKey";
import { type ProofSheet } from "../../core/scene/proofSheet";
import { placesIn } from "./shownSlots";

/** What is taken together on a desk, to be aligned and spaced at once. */
export interface Together {
  readonly keys: readonly PlacedKey[];
  readonly set: (key: PlacedKey, isOn: boolean) => void;
  /** Takes one more, or leaves it out again. @param first was picked alone before */
  readonly add: (key: PlacedKey, first: PlacedKey | null) => void;
  readonly end: () => void;
}

/** @param prepared what is shown: what was taken out since is no longer among them */
export function useTogether(
  prepared: readonly ProofSheet[],
  {
    isPlaceable,
    onKept,
  }: {
    readonly isPlaceable: (key: PlacedKey) => boolean;
    /** Something stays in its place, whoever wants to move it. */
    readonly onKept: () => void;
  },
): Together {
  const [several, setSeveral] = useState<readonly PlacedKey[]>([]);
  const keys = several.length > 0 ? stillThere(several, prepared) : several;

  function take(key: PlacedKey, isOn: boolean, others: readonly PlacedKey[]): void {
    const rest = others.filter((one) => one !== key);
    if (isOn && !isPlaceable(key)) onKept();
    else setSeveral(isOn ? [...rest, key] : rest);
  }
  return {
    keys,
    set: (key, isOn) => take(key, isOn, keys),
    add(key, first) {
      const others = keys.length === 0 && first && first !== key && isPlaceable(first) ? [first] : keys;
      take(key, !others.includes(key), others);
    },
    end: () => setSeveral([]),
  };
}

function stillThere(keys: readonly PlacedKey[], prepared: readonly ProofSheet[]): PlacedKey[] {
  const there = new Set(prepared.flatMap((sheet) => [...placesIn(sheet).keys()]));
  return keys.filter((key) => there.has(key));
}
