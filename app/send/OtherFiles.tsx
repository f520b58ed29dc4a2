import { FileText, ListVideo } from "lucide-react";

/** What of a promotion can be taken elsewhere besides its films. */
export function OtherFiles({ slug }: { slug: string }) {
  return (
    <section aria-label="For other programs" className="mt-6">
      <h2 className="mb-2">For other programs</h2>
      <ul className="divide-y divide-rule border-y border-rule text-sm">
        <li>
          <a href={`/promotions/${slug}/storyboard.pdf`} download className="flex min-h-9 items-center gap-2">
            <FileText aria-hidden size={15} /> <span className="underline underline-offset-2">Storyboard</span>
            <span className="ml-auto text-soft">PDF, a page a scene</span>
          </a>
        </li>
        <li>
          <a href={`/promotions/${slug}/timeline.otio`} download className="flex min-h-9 items-center gap-2">
            <ListVideo aria-hidden size={15} /> <span className="underline underline-offset-2">Timeline</span>
            <span className="ml-auto text-soft">OpenTimelineIO</span>
          </a>
        </li>
      </ul>
    </section>
  );
}
