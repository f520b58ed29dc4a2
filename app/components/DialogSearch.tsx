import { type ChangeEvent } from "react";

/** Where one types what to look for, among the tools of a dialog. */
export function DialogSearch({
  label,
  placeholder,
  words,
  onWords,
}: {
  label: string;
  placeholder: string;
  words: string;
  onWords: (words: string) => void;
}) {
  const search = ({ target: { value } }: ChangeEvent<HTMLInputElement>): void => onWords(value);
  return (
    <input
      type="search"
      value={words}
      onChange={search}
      placeholder={placeholder}
      aria-label={label}
      className="w-60 border border-rule bg-white px-3 py-1.5"
    />
  );
}
