import { type FormatName, formatTitle } from "../../core/placement/formats";
import { type ChosenBacking } from "../../core/scene/prepared";
import { type SheetScene } from "../../core/scene/proofSheet";

/** Says what was put between a scene's words and the picture behind them, in each format, and the contrast it reaches. */
export function BackingNote({
  scenes,
}: {
  scenes: readonly { readonly format: FormatName; readonly scene: SheetScene }[];
}) {
  const chosen = scenes.flatMap(({ format, scene }) => {
    const backing = scene.slots.find((slot) => slot.backing)?.backing;
    return backing ? [{ format, backing }] : [];
  });
  if (chosen.length === 0) return null;
  return (
    <p className="mt-1 text-[12.5px] text-soft" data-testid="backing">
      Words on the picture:{" "}
      {chosen.map(({ format, backing }) => `${formatTitle(format)} ${inWords(backing)}`).join("; ")}.
    </p>
  );
}

function inWords({ kind, alpha, contrast }: ChosenBacking): string {
  const shade = `${Math.round(alpha * 100)} % shade`;
  const what =
    kind === "plain" ? "plain" : kind === "panel" ? "on a panel" : kind === "blur" ? `blurred, ${shade}` : shade;
  return contrast === null ? what : `${what} (${contrast.toFixed(1)}:1)`;
}
