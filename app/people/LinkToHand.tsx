import { useState } from "react";
import { useLive } from "../components/useLive";
import { Button } from "../components/Button";
import { inputClasses } from "../components/Field";

/** A link to hand to somebody. It is shown this once: only who has it can use it. */
export function LinkToHand({ path }: { path: string }) {
  const [copied, setCopied] = useState(false);
  const isLive = useLive();
  const link = isLive ? new URL(path, location.href).href : path;
  const copy = (): void => void navigator.clipboard.writeText(link).then(() => setCopied(true));
  return (
    <div className="my-3 flex items-end gap-3">
      <label className="min-w-0 flex-1 text-sm">
        The link, shown this once
        <input readOnly value={link} className={`${inputClasses} mt-1 font-mono text-sm`} />
      </label>
      <Button onClick={copy} disabled={!isLive}>
        {copied ? "Copied" : "Copy"}
      </Button>
    </div>
  );
}
