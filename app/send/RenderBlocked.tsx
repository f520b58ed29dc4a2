import { useState } from "react";
import { type FetcherWithComponents, Link } from "react-router";
import { CircleAlert } from "lucide-react";
import { Button } from "../components/Button";
import { fieldLook } from "../components/fieldLook";
import { HiddenFields } from "../components/HiddenFields";

/** What must be mended before a render; somebody may let it pass, in their name and with a reason. */
export function RenderBlocked({
  slug,
  found,
  fields,
  problem,
  asking,
}: {
  slug: string;
  found: readonly string[];
  /** What was asked for, as it was sent. */
  fields: Readonly<Record<string, string>>;
  problem: string | null;
  /** Asks again for the render. */
  asking: FetcherWithComponents<unknown>;
}) {
  const [reason, setReason] = useState("");
  const count = found.length === 1 ? "One thing must" : `${found.length} things must`;
  return (
    <section
      role="alert"
      aria-label="What must be mended"
      className="mb-8 border-l-4 border-wrong bg-wrong-pale px-5 py-4"
    >
      <h2 className="flex items-center gap-2 text-[18px] text-wrong">
        <CircleAlert aria-hidden size={18} /> {count} be mended before this is rendered
      </h2>
      <ul className="mt-2 list-disc pl-5 text-[14px]">
        {found.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-3">
        <Link to={`/promotions/${slug}/proof`} className="pb-2 font-semibold underline underline-offset-2">
          Mend it on the Proof desk
        </Link>
        <asking.Form method="post" className="flex flex-1 items-end gap-3">
          <HiddenFields fields={fields} />
          <label className="flex-1 text-[13px]">
            Or say why it may be rendered as it is
            <input
              name="reason"
              value={reason}
              maxLength={400}
              onChange={(event) => setReason(event.target.value)}
              className={`${fieldLook} mt-1`}
            />
          </label>
          <Button type="submit" disabled={asking.state !== "idle"}>
            Let it pass and render
          </Button>
        </asking.Form>
      </div>
      {problem && <p className="mt-2 text-[13px] text-wrong">{problem}</p>}
    </section>
  );
}
