import { type InputHTMLAttributes, type ReactNode, useId } from "react";

export const inputClasses =
  "w-full border border-rule bg-white px-3 py-2 text-ink placeholder:text-firm focus-visible:outline-2 focus-visible:outline-accent";

/** A labelled input with its hint and its problem next to it. */
export function Field({
  label,
  hint,
  problem,
  className = "",
  ...rest
}: InputHTMLAttributes<HTMLInputElement> & { label: string; hint?: string; problem?: string | undefined }) {
  const id = useId();
  return (
    <Labelled id={id} label={label} hint={hint} problem={problem} className={className}>
      <input
        id={id}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        className={inputClasses}
        {...rest}
      />
    </Labelled>
  );
}

export function Labelled({
  id,
  label,
  hint,
  problem,
  className = "",
  children,
}: {
  id: string;
  label: string;
  hint?: string | undefined;
  problem?: string | undefined;
  className?: string;
  children: ReactNode;
}) {
  return (
    <div className={className}>
      <div className="mb-1 flex justify-between gap-3 text-sm">
        <label htmlFor={id}>{label}</label>
        {hint && <span className="text-soft">{hint}</span>}
      </div>
      {children}
      {problem && (
        <p id={`${id}-problem`} className="mt-1 text-sm text-wrong" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}

/** A labelled choice from a list. */
export function Choice({
  label,
  hint,
  problem,
  className = "",
  options,
  ...rest
}: React.SelectHTMLAttributes<HTMLSelectElement> & {
  label: string;
  hint?: string;
  problem?: string | undefined;
  options: readonly (readonly [value: string, text: string])[];
}) {
  const id = useId();
  return (
    <Labelled id={id} label={label} hint={hint} problem={problem} className={className}>
      <select id={id} className={inputClasses} {...rest}>
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </Labelled>
  );
}
