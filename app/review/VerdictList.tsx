import { type ShownReview } from "./reviewInWords";

/** What was decided, the newest first. */
export function VerdictList({ verdicts }: { verdicts: ShownReview["verdicts"] }) {
  if (verdicts.length === 0) return null;
  return (
    <section aria-label="Decisions">
      <h2 className="mb-2">Decisions</h2>
      <ul className="divide-y divide-rule border-y border-rule text-sm">
        {verdicts.map(({ id, decision, words, by, when, revision }) => (
          <li key={id} className="py-2">
            <span className={decision === "approved" ? "font-semibold text-ready" : "font-semibold text-warn"}>
              {decision === "approved" ? "Approved" : "Changes asked for"}
            </span>{" "}
            by {by}, {when} <span className="text-soft">(revision {revision})</span>
            {words !== "" && <p className="mt-0.5 break-words whitespace-pre-line">{words}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}
