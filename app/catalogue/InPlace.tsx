import { useState } from "react";
import { useFetcher } from "react-router";
import { type CatalogueAnswer } from "./answer";

/** A cell that is edited where it stands: click or Enter, type, Enter or leave; Esc puts it back. Saved at once. */
export function InPlace({
  product,
  field,
  value,
  shown,
  label,
  className = "",
}: {
  product: string;
  field: string;
  value: string;
  shown: string;
  label: string;
  className?: string;
}) {
  const fetcher = useFetcher<CatalogueAnswer>();
  const [typed, setTyped] = useState<string | null>(null);
  const problem = fetcher.data?.problem ?? null;
  const finish = (text: string): void => {
    setTyped(null);
    if (text.trim() !== value)
      void fetcher.submit(
        { intent: "field", id: product, field, value: text },
        { method: "post", action: "/catalogue" },
      );
  };
  if (typed === null) {
    const sending = fetcher.formData?.get("value");
    return (
      <span className="block">
        <button
          type="button"
          onClick={() => setTyped(value)}
          aria-label={`${label}: ${shown || "empty"}. Change`}
          className={`block min-h-6 w-full truncate border-b border-transparent text-left hover:border-firm ${className}`}
        >
          {typeof sending === "string"
            ? sending
            : shown || (
                <span aria-hidden className="text-firm">
                  –
                </span>
              )}
        </button>
        {problem && (
          <span role="alert" className="block text-xs text-wrong">
            {problem}
          </span>
        )}
      </span>
    );
  }
  return (
    <input
      autoFocus
      value={typed}
      aria-label={label}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => finish(typed)}
      onKeyDown={(event) => {
        if (event.key === "Enter") finish(typed);
        if (event.key === "Escape") setTyped(null);
      }}
      className={`w-full border-b border-ink bg-white px-0.5 ${className}`}
    />
  );
}
