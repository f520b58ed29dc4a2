import { COLOR_ROLES, type ColorRole, type Palette } from "../../core/color/palette";

/** The brand's colours to choose one from. @param usual the words for choosing none, where that can be */
export function ColorSwatches({ label, palette, chosen, usual, onChoose }: { label: string; palette: Palette; chosen: ColorRole | null; usual?: string; onChoose: (role: ColorRole | null) => void }) {
  const look = (pressed: boolean): string => `h-8 flex-1 border ${pressed ? "border-ink outline-2 outline-accent" : "border-rule"}`;
  return (
    <div className="flex gap-1.5">
      {usual !== undefined && <button type="button" aria-label={`${label}: ${usual}`} aria-pressed={chosen === null} onClick={() => onChoose(null)} className={`${look(chosen === null)} px-2 text-[12px]`}>{usual}</button>}
      {COLOR_ROLES.map((role) => <button key={role} type="button" aria-label={`${label}: ${role}`} aria-pressed={chosen === role} title={role} onClick={() => onChoose(role)} className={look(chosen === role)} style={{ background: palette[role] }} />)}
    </div>
  );
}
