import { COLOR_ROLES, type ColorRole, type Palette } from "../../core/color/palette";

/** The brand's colours to choose one from. */
export function ColorSwatches({
  label,
  palette,
  chosen,
  onChoose,
}: {
  label: string;
  palette: Palette;
  /** Null where it is none of them. */
  chosen: ColorRole | null;
  onChoose: (role: ColorRole) => void;
}) {
  return (
    <div className="flex gap-1.5">
      {COLOR_ROLES.map((role) => (
        <button
          key={role}
          type="button"
          aria-label={`${label}: ${role}`}
          aria-pressed={chosen === role}
          title={role}
          onClick={() => onChoose(role)}
          className={`h-8 flex-1 border ${chosen === role ? "border-ink outline-2 outline-accent" : "border-rule"}`}
          style={{ background: palette[role] }}
        />
      ))}
    </div>
  );
}
