/** What was typed under a name in a form: the last of several, and "" when there is none or it is a file. */
export function formText(form: FormData, name: string): string {
  const value = form.getAll(name).at(-1);
  return typeof value === "string" ? value : "";
}
