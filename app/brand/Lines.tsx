import { ArrowUp, Plus, X } from "lucide-react";
import { Problem } from "../components/Problem";

/** A short list of one-line texts: add, change, take to the front, remove. */
export function Lines({
  label,
  hint,
  values,
  problems,
  path,
  add,
  onChange,
}: {
  label: string;
  hint: string;
  values: readonly string[];
  problems: Readonly<Record<string, string>>;
  path: string;
  add: string;
  onChange: (values: string[]) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 flex w-full justify-between gap-3 text-sm">
        <span>{label}</span>
        <span className="text-soft">{hint}</span>
      </legend>
      <ul className="flex flex-col gap-1.5">
        {values.map((value, at) => (
          <li key={at} className="flex flex-wrap items-center gap-1">
            <input
              value={value}
              onChange={(event) => onChange(values.map((one, index) => (index === at ? event.target.value : one)))}
              aria-label={`${label} ${at + 1}`}
              className="min-w-0 flex-1 border border-rule bg-white px-3 py-1.5"
            />
            <button
              type="button"
              disabled={at === 0}
              onClick={() => onChange([value, ...values.filter((_, index) => index !== at)])}
              aria-label={`Put ${value || label} first`}
              className="p-1 text-soft hover:text-ink disabled:invisible"
            >
              <ArrowUp aria-hidden size={15} />
            </button>
            <button
              type="button"
              onClick={() => onChange(values.filter((_, index) => index !== at))}
              aria-label={`Remove ${value || label}`}
              className="p-1 text-soft hover:text-wrong"
            >
              <X aria-hidden size={15} />
            </button>
            <Problem text={problems[`${path}[${at}]`]} className="w-full" />
          </li>
        ))}
      </ul>
      <button
        type="button"
        onClick={() => onChange([...values, ""])}
        className="mt-1 flex items-center gap-1 text-sm text-soft underline-offset-2 hover:text-ink hover:underline"
      >
        <Plus aria-hidden size={14} /> {add}
      </button>
      <Problem text={problems[path]} />
    </fieldset>
  );
}
