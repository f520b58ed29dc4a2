/** Marks a promotion in the list. */
export function MarkBox({
  id,
  name,
  isMarked,
  onToggle,
}: {
  id: string;
  name: string;
  isMarked: boolean;
  onToggle: (id: string) => void;
}) {
  const toggle = (): void => onToggle(id);
  return (
    <label className="flex h-9 w-9 shrink-0 cursor-pointer items-center justify-center">
      <input
        type="checkbox"
        checked={isMarked}
        onChange={toggle}
        aria-label={`Mark ${name}`}
        className="h-4 w-4 accent-accent"
      />
    </label>
  );
}
