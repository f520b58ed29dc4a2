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
        {inSeconds(wanted)} is more than these scenes can last: {inSeconds(most)} at most.
      </p>
    );
  return (
    <div role="alert" className="bg-warn-pale px-3 py-2 text-[13.5px] leading-snug text-warn">
      <p>
        {inSeconds(wanted)} is too short: these scenes last <b>{inSeconds(least)}</b> at least. Held up by
      </p>
      <ul className="mt-1 list-disc pl-4">
        {heldUp.slice(0, NAMED).map(({ scene, name, least: own, by }) => (
          <li key={scene}>
            {name}, {inSeconds(own)}: {whyInWords(by)}
          </li>
        ))}
      </ul>
      {can <= most && (
        <button type="button" onClick={hold} className="mt-1.5 underline hover:text-ink">
          Hold it to {inSeconds(can)}
        </button>
      )}
    </div>
  );
}

function whyInWords(by: HeldUpBy): string {
  switch (by.kind) {
    case "words":
      return `“${by.text}” is read in ${inSeconds(by.need)}`;
    case "joins":
      return "it shares the screen at its ends";
    case "least":
      return "no scene is shorter";
    case "template":
      return "the template locks its length";
  }
}

const inSeconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
