/** One of a few, side by side. */
export function ChoiceSwitch<Value extends string>({
  label,
  choices,
  words,
  value,
  onChoose,
}: {
  label: string;
  choices: readonly Value[];
  words: Readonly<Record<Value, string>>;
  value: Value;
  onChoose: (value: Value) => void;
}) {
  return (
    <div role="group" aria-label={label} className="inline-flex border border-ink">
      {choices.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === value}
          onClick={() => onChoose(one)}
          className={`px-3 py-1 text-[13px] font-semibold ${one === value ? "bg-ink text-card" : "bg-card text-ink hover:bg-[#e9e1d0]"}`}
        >
          {words[one]}
        </button>
      ))}
    </div>
  );
}
