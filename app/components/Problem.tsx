/** What is wrong with something that was written or done, beside it; nothing where nothing is. */
export function Problem({ text, className = "" }: { text: string | null | undefined; className?: string }) {
  if (!text) return null;
  return (
    <p role="alert" className={`text-sm text-wrong ${className}`}>
      {text}
    </p>
  );
}
