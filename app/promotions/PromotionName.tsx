import { type KeyboardEvent, type SyntheticEvent, useRef, useState } from "react";
import { Pencil } from "lucide-react";
import { Link, useFetcher } from "react-router";
import { inputClasses } from "../components/Field";

/** A promotion's name in a list, which leads to it, and can be changed where it stands. */
export function PromotionName({ slug, name, mayChange }: { slug: string; name: string; mayChange: boolean }) {
  const fetcher = useFetcher<{ readonly problem?: string }>();
  const [isOpen, setOpen] = useState(false);
  // Escape leaves the field, too, but what is in it is not wanted.
  const isGivenUp = useRef(false);
  const sent = fetcher.formData?.get("name");
  const shown = typeof sent === "string" ? sent : name;

  const open = (): void => {
    isGivenUp.current = false;
    setOpen(true);
  };
  const keep = ({ currentTarget }: SyntheticEvent<HTMLInputElement>): void => {
    setOpen(false);
    const text = currentTarget.value.trim();
    if (!isGivenUp.current && text !== "" && text !== name)
      void fetcher.submit({ intent: "rename", slug, name: text }, { method: "post" });
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key !== "Enter" && event.key !== "Escape") return;
    isGivenUp.current = event.key === "Escape";
    event.currentTarget.blur();
  };

  if (isOpen)
    return (
      <input
        autoFocus
        aria-label={`Name of ${name}`}
        defaultValue={shown}
        maxLength={80}
        onBlur={keep}
        onKeyDown={onKey}
        className={`${inputClasses} -my-1.5`}
      />
    );
  return (
    <span className="min-w-0">
      <span className="flex min-w-0 items-center gap-1.5">
        <Link to={`/promotions/${slug}`} className="truncate font-semibold hover:underline" title={shown}>
          {shown}
        </Link>
        {mayChange && (
          <button
            type="button"
            aria-label={`Rename ${shown}`}
            onClick={open}
            className="flex h-7 w-7 shrink-0 items-center justify-center text-soft hover:text-ink"
          >
            <Pencil aria-hidden size={14} />
          </button>
        )}
      </span>
      {fetcher.data?.problem && (
        <span role="alert" className="block text-sm text-wrong">
          {fetcher.data.problem}
        </span>
      )}
    </span>
  );
}
