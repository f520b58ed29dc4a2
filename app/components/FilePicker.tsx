import { type ChangeEvent, type Ref } from "react";

/** A choice of files that is not seen itself: what is pressed to choose opens it by its `ref`. */
export function FilePicker({
  ref,
  label,
  accept,
  multiple = false,
  testId,
  onPick,
}: {
  ref: Ref<HTMLInputElement>;
  label: string;
  /** Kinds of files, as HTML names them; any when absent. */
  accept?: string;
  multiple?: boolean;
  testId?: string;
  onPick: (file: File, all: readonly File[]) => void;
}) {
  function take({ target }: ChangeEvent<HTMLInputElement>): void {
    const files = [...(target.files ?? [])];
    // The same file can be chosen again, once it was mended.
    target.value = "";
    const [first] = files;
    if (first) onPick(first, files);
  }
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      multiple={multiple}
      className="sr-only"
      tabIndex={-1}
      aria-label={label}
      data-testid={testId}
      onChange={take}
    />
  );
}
