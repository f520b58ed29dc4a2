import { clsx } from "clsx";
import { type ChangeEvent } from "react";

/** What a person can choose among for each kind; what a file really is, the server tells from its bytes. */
const FILES = {
  picture: "image/*",
  clip: "video/*",
  sound: "audio/*,video/*,.wav,.mp3,.m4a,.flac,.ogg,.opus",
} as const;

/** Brings a file in right where one is chosen. @param label says what for, to who can't see where it stands */
export function BringFile({
  kinds,
  label,
  onFiles,
  className,
}: {
  kinds: readonly (keyof typeof FILES)[];
  label: string;
  onFiles: (files: FileList) => void;
  className?: string;
}) {
  function take({ target }: ChangeEvent<HTMLInputElement>): void {
    if (target.files && target.files.length > 0) onFiles(target.files);
    // The same file can be taken again.
    target.value = "";
  }
  return (
    <label
      className={clsx(
        "cursor-pointer text-[13.5px] text-soft underline focus-within:outline-2 hover:text-accent",
        className,
      )}
    >
      Bring in a file of your own
      <input
        type="file"
        accept={kinds.map((kind) => FILES[kind]).join(",")}
        aria-label={label}
        onChange={take}
        className="sr-only"
      />
    </label>
  );
}
