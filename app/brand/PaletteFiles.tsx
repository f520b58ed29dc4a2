import { useRef, useState } from "react";
import { PALETTE_FORMATS, type NamedColor, readPaletteFile } from "../../core/color/paletteFiles";
import { Button } from "../components/Button";
import { FilePicker } from "../components/FilePicker";
import { Notice } from "../components/Notice";

const FORMAT_TEXT = { tokens: "design tokens", gpl: ".gpl palette", css: "CSS" } as const;

/** Brings colours in from a file, and gives them out in three open formats. */
export function PaletteFiles({
  exportName,
  onRead,
}: {
  exportName: string;
  onRead: (colors: readonly NamedColor[]) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ kind: "ready" | "wrong"; text: string } | null>(null);
  async function read(file: File): Promise<void> {
    try {
      if (file.size > 500_000) throw new SyntaxError("The file is larger than the limit for palettes: 0.5 MB.");
      const { colors } = readPaletteFile(await file.text());
      onRead(colors);
      setSaid({ kind: "ready", text: `${colors.length} colours read from ${file.name}. Save the book to keep them.` });
    } catch (error) {
      setSaid({ kind: "wrong", text: `“${file.name}”: ${error instanceof Error ? error.message : String(error)}` });
    }
  }
  return (
    <>
      <FilePicker
        ref={picker}
        accept=".json,.gpl,.css,.tokens"
        label="Palette file"
        testId="palette-picker"
        onPick={(file) => void read(file)}
      />
      <Button look="quiet" onClick={() => picker.current?.click()}>
        Import a palette
      </Button>
      <span className="text-soft">
        Export as{" "}
        {PALETTE_FORMATS.map((format, index) => (
          <span key={format}>
            {index > 0 && ", "}
            <a href={`/brand-book/palette/${format}`} download={exportName} className="underline">
              {FORMAT_TEXT[format]}
            </a>
          </span>
        ))}
      </span>
      {said && (
        <Notice kind={said.kind} className="w-full">
          {said.text}
        </Notice>
      )}
    </>
  );
}
