/** What a form sends that was chosen elsewhere on the page. */
export function HiddenFields({ fields }: { fields: Readonly<Record<string, string>> }) {
  return Object.entries(fields).map(([name, value]) => <input key={name} type="hidden" name={name} value={value} />);
}
