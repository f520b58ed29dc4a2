import { clsx } from "clsx";
import { Copy } from "lucide-react";
import { Form, useNavigation } from "react-router";

/** Makes a copy of a promotion, and leads to it. */
export function CopyButton({ slug, name }: { slug: string; name: string }) {
  const busy = useNavigation().state !== "idle";
  return (
    <Form method="post">
      <button
        name="copy"
        value={slug}
        disabled={busy}
        aria-label={`Make a copy of ${name}`}
        className={clsx(
          "flex min-h-7 items-center gap-1.5 px-1.5 text-[13.5px] text-soft",
          "underline-offset-4 hover:text-ink hover:underline",
        )}
      >
        <Copy aria-hidden size={14} /> Copy
      </button>
    </Form>
  );
}
