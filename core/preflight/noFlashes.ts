import { watchFlashes } from "../picture/flashes";
import { type FrameRule } from "./finding";

/** Flashing can make people ill, and no placement takes it. */
export const noFlashes: FrameRule = {
  id: "no-flashes",
  about: "Nothing flashes more than three times in a second (WCAG 2.2, 2.3.1).",
  watch(size) {
    const flashes = watchFlashes(size);
    return {
      add: (rgba, seconds) => flashes.add(rgba, seconds),
      found() {
        const worst = flashes.worst();
        if (!worst) return [];
        const { kind, perSecond, at } = worst;
        const often = `${kind === "red" ? "red " : ""}${perSecond} times`;
        return [
          {
            severity: "wrong",
            words: `flashes ${often} in the second up to ${at.toFixed(1)} s: more than 3 can make people ill`,
            numbers: { flashesPerSecond: perSecond, endsAtMs: Math.round(at * 1000) },
            cures: [],
            at,
          },
        ];
      },
    };
  },
};
