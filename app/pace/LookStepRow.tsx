import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { type ChangeEvent, type ReactNode } from "react";
import { type Look, type LookStep } from "../../core/document/look";
import { switched, withGradeValue } from "../../core/document/lookEdits";
import { GRADE_NAMES, GRADE_VALUES, type Grade, type GradeName } from "../../core/grading/grade";
import { stepInWords } from "./lookInWords";

/** One step of a look: how strong it is, on or off, earlier or later, or taken out. */
export function LookStepRow({
  step,
  at,
  earlier,
  later,
  onStep,
  onLook,
  onRemove,
}: {
  step: LookStep;
  at: number;
  /** The look with this step done earlier or later; null at that end. */
  earlier: Look | null;
  later: Look | null;
  onStep: (step: LookStep) => void;
  onLook: (look: Look | null) => void;
  onRemove: () => void;
}) {
  const name = step.kind === "grade" ? "colours" : stepInWords(step);
  const turn = ({ target: { checked } }: ChangeEvent<HTMLInputElement>): void => {
    onStep(switched(step, checked));
  };
  return (
    <li aria-label={`Step ${at + 1}, ${name}`} className="border border-rule bg-paper/60 px-2 py-1">
      <div className="flex items-center gap-1.5 text-[13px]">
        <label className="flex min-h-6 min-w-0 flex-1 items-center gap-1.5">
          <input type="checkbox" className="accent-accent" checked={!step.off} onChange={turn} />
          <span className={`truncate first-letter:uppercase ${step.off ? "text-soft line-through" : ""}`}>
            {stepInWords(step)}
          </span>
        </label>
        <Press label={`Do ${name} earlier`} disabled={!earlier} onPress={() => onLook(earlier)}>
          <ArrowUp aria-hidden size={14} />
        </Press>
        <Press label={`Do ${name} later`} disabled={!later} onPress={() => onLook(later)}>
          <ArrowDown aria-hidden size={14} />
        </Press>
        <Press label={`Take ${name} out`} onPress={onRemove}>
          <Trash2 aria-hidden size={14} />
        </Press>
      </div>
      {step.kind === "grade" ? (
        <GradeValues grade={step.grade} onGrade={(grade) => onStep({ ...step, grade })} />
      ) : (
        <ValueRow
          label={`Strength of ${name}`}
          shown="Strength"
          least={0}
          most={100}
          step={1}
          unit="%"
          value={Math.round(step.strength * 100)}
          onValue={(value) => onStep({ ...step, strength: value / 100 })}
        />
      )}
    </li>
  );
}

function GradeValues({ grade, onGrade }: { grade: Grade; onGrade: (grade: Grade) => void }) {
  return (
    <div className="flex flex-col">
      {GRADE_NAMES.map((name) => (
        <GradeValue key={name} name={name} grade={grade} onGrade={onGrade} />
      ))}
    </div>
  );
}

function GradeValue({ name, grade, onGrade }: { name: GradeName; grade: Grade; onGrade: (grade: Grade) => void }) {
  const { label, least, most, unit } = GRADE_VALUES[name];
  // Shares are shown in per cent.
  const times = unit === "%" ? 100 : 1;
  const set = (value: number): void => onGrade(withGradeValue(grade, name, value / times));
  return (
    <ValueRow
      label={label}
      shown={label}
      least={least * times}
      most={most * times}
      step={name === "exposure" ? 0.05 : 1}
      unit={unit}
      value={Number(((grade[name] ?? 0) * times).toFixed(2))}
      onValue={set}
    />
  );
}

/** A value that is pulled or typed. */
function ValueRow({
  label,
  shown,
  least,
  most,
  step,
  unit,
  value,
  onValue,
}: {
  label: string;
  shown: string;
  least: number;
  most: number;
  step: number;
  unit: string;
  value: number;
  onValue: (value: number) => void;
}) {
  const take = ({ target: { valueAsNumber } }: ChangeEvent<HTMLInputElement>): void => {
    if (valueAsNumber >= least && valueAsNumber <= most) onValue(valueAsNumber);
  };
  const bounds = { min: least, max: most, step, value, onChange: take };
  return (
    <div className="flex items-center gap-2 text-[12.5px] text-soft">
      <span className="w-[74px] shrink-0 truncate">{shown}</span>
      <input type="range" aria-label={`${label}, pulled`} {...bounds} className="h-6 min-w-0 flex-1 accent-accent" />
      <input
        type="number"
        aria-label={label}
        {...bounds}
        className="w-[52px] shrink-0 border border-rule bg-white px-1 py-px text-right figures text-ink"
      />
      <span aria-hidden className="w-8 shrink-0">
        {unit}
      </span>
    </div>
  );
}

function Press({
  label,
  disabled = false,
  onPress,
  children,
}: {
  label: string;
  disabled?: boolean;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
      className="grid size-[24px] place-items-center text-soft hover:text-ink disabled:opacity-25"
    >
      {children}
    </button>
  );
}
