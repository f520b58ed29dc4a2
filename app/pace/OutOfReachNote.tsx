import { seconds } from "../components/mediaLook";
import { type OutOfReach } from "../../core/pace/lengthEdits";
import { type HeldUpBy } from "../../core/pace/pacedScenes";

/** How many of what holds a promotion up are named. */
const NAMED = 3;
/** A length that people would type. */
const STEP_MS = 100;

/** Why scenes can't last as long as was asked together, and how long they can. */
export function OutOfReachNote({
  wanted,
  reach: { least, most, heldUp },
  onHold,
}: {
  /** Milliseconds. */
  wanted: number;
  reach: OutOfReach;
  /** Holds it to what can be. */
  onHold: (length: number) => void;
}) {
  const can = Math.ceil(least / STEP_MS) * STEP_MS;
  const hold = (): void => onHold(can);
  if (wanted > most)
    return (
      <p role="alert" className="bg-warn-pale px-3 py-2 text-[13.5px] leading-snug text-warn">
        {seconds(wanted)} is more than these scenes can last: {seconds(most)} at most.
      </p>
    );
  return (
    <div role="alert" className="bg-warn-pale px-3 py-2 text-[13.5px] leading-snug text-warn">
      <p>
        {seconds(wanted)} is too short: these scenes last <b>{seconds(least)}</b> at least. Held up by
      </p>
      <ul className="mt-1 list-disc pl-4">
        {heldUp.slice(0, NAMED).map(({ scene, name, least: own, by }) => (
          <li key={scene}>
            {name}, {seconds(own)}: {whyInWords(by)}
          </li>
        ))}
      </ul>
      {can <= most && (
        <button type="button" onClick={hold} className="mt-1.5 underline hover:text-ink">
          Hold it to {seconds(can)}
        </button>
      )}
    </div>
  );
}

function whyInWords(by: HeldUpBy): string {
  switch (by.kind) {
    case "words":
      return `“${by.text}” is read in ${seconds(by.need)}`;
    case "joins":
      return "it shares the screen at its ends";
    case "least":
      return "no scene is shorter";
    case "template":
      return "the template locks its length";
  }
}
