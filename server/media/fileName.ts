const LONGEST = 120;

/** A file's name as people see it: no folders, control characters or direction marks, never empty. */
export function displayName(raw: string): string {
  const last = raw.split(/[/\\]/).at(-1) ?? "";

  const clean = last.replace(/\p{Cc}|\p{Bidi_Control}/gu, "").trim();
  return Array.from(clean || "unnamed")
    .slice(0, LONGEST)
    .join("");
}
