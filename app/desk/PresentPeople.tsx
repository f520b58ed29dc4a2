import { type ResolvedPromotion } from "../../core/document/resolve";
import { findSlot } from "../../core/document/sceneTemplate";
import { type Present } from "./usePresence";

/** Who else has the promotion open, each with where they are. */
export function PresentPeople({ present, promotion }: { present: readonly Present[]; promotion: ResolvedPromotion }) {
  if (present.length === 0) return null;
  return (
    <ul aria-label="Also here" className="flex items-center gap-1.5">
      {present.map(({ page, name, at }) => (
        <li
          key={page}
          title={`${name} is here${placeInWords(at, promotion)}`}
          className="flex h-8 items-center border border-accent bg-white px-2 text-[13px] font-semibold text-accent"
        >
          <span aria-hidden>{initialsOf(name)}</span>
          <span className="sr-only">{`${name} is here${placeInWords(at, promotion)}`}</span>
        </li>
      ))}
    </ul>
  );
}

/** Said beside a scene that someone else is in. It stands in the margin: nothing of the sheet moves when they come. */
export function SceneGuests({ present, scene }: { present: readonly Present[]; scene: string }) {
  const names = [...new Set(present.filter(({ at }) => at.startsWith(`${scene}.`)).map(({ name }) => name))];
  const said = `${names.join(", ")} ${names.length === 1 ? "is" : "are"} in this scene`;
  return names.length === 0 ? null : (
    <p title={said} className="mt-2 bg-accent px-1.5 py-0.5 text-[12px] font-semibold text-white">
      <span aria-hidden>{names.map(initialsOf).join(" ")}</span>
      <span className="sr-only">{said}</span>
    </p>
  );
}

function placeInWords(at: string, { scenes }: ResolvedPromotion): string {
  const found = findSlot(
    scenes.map(({ template }) => template),
    at,
  );
  return found ? `, in “${found.scene.name}”: ${found.slot.label.toLowerCase()}` : "";
}

const initialsOf = (name: string): string =>
  name
    .split(/\s+/)
    .slice(0, 2)
    .map((word) => Array.from(word)[0] ?? "")
    .join("")
    .toUpperCase();
