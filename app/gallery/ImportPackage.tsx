import { LoaderCircle, Upload } from "lucide-react";
import { useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { toast } from "sonner";
import { object, string } from "yup";
import { Button } from "../components/Button";
import { FilePicker } from "../components/FilePicker";

const answer = object({ name: string(), problem: string() });

/** Brings a template package in; says in words what is wrong with one that can't be. */
export function ImportPackage({ onProblem }: { onProblem: (problem: string | null) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const revalidator = useRevalidator();
  const [busy, setBusy] = useState(false);

  async function bring(file: File): Promise<void> {
    setBusy(true);
    onProblem(null);
    try {
      const response = await fetch(`/templates/import?name=${encodeURIComponent(file.name)}`, {
        method: "POST",
        body: file,
      });
      const { name, problem } = answer.validateSync(await response.json().catch(() => ({})));
      if (response.ok) {
        toast(`“${name ?? file.name}” is among the team's templates now.`);
        await revalidator.revalidate();
      } else onProblem(problem ?? `“${file.name}” could not be brought in. Try again.`);
    } catch {
      onProblem("There is no connection to the server. Try again.");
    } finally {
      setBusy(false);
    }
  }

  return (
    <>
      <FilePicker
        ref={input}
        accept=".zip,application/zip"
        label="Template package"
        onPick={(file) => void bring(file)}
      />
      <Button onClick={() => input.current?.click()} disabled={busy}>
        {busy ? <LoaderCircle aria-hidden size={16} className="animate-spin" /> : <Upload aria-hidden size={16} />}{" "}
        Bring in a package
      </Button>
    </>
  );
}
