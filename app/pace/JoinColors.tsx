import { type Palette } from "../../core/color/palette";
import { JOIN_COLORS, type JoinColor, joinInk } from "../../core/document/joins";

/** The colours that a join or an ending can show, to choose one from. */
export function JoinColors({
  label,
  palette,
  chosen,
  onChoose,
}: {
  label: string;
  palette: Palette;
  chosen: JoinColor;
  onChoose: (color: JoinColor) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex gap-1.5">
      {JOIN_COLORS.map((color) => (
        <JoinSwatch
          key={color}
          label={label}
          color={color}
          ink={joinInk(color, palette)}
          isChosen={color === chosen}
          onChoose={onChoose}
        />
      ))}
    </div>
  );
}

function JoinSwatch({
  label,
  color,
  ink,
  isChosen,
  onChoose,
}: {
  label: string;
  color: JoinColor;
  ink: string;
  isChosen: boolean;
  onChoose: (color: JoinColor) => void;
}) {
  const choose = (): void => onChoose(color);
  return (
    <button
      type="button"
      aria-label={`${label}: ${color}`}
      aria-pressed={isChosen}
      title={color}
      onClick={choose}
      className={`h-8 min-w-6 flex-1 border ${isChosen ? "border-ink outline-2 outline-accent" : "border-firm"}`}
      style={{ background: ink }}
    />
  );
}
