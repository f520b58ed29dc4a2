/** Puts text in where the cursor is, over what is marked, as if it were typed: whoever listens to the field hears of it. */
export function insertText(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  field.focus();
  field.setRangeText(text, field.selectionStart ?? 0, field.selectionEnd ?? 0, "end");
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

/** As `insertText`, over all there is; the cursor stays about where it was. */
export function replaceText(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  field.focus();
  field.setRangeText(text, 0, field.value.length, "preserve");
  field.dispatchEvent(new Event("input", { bubbles: true }));
}
