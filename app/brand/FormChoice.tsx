import { clsx } from "clsx";
import { type BrandForm, FORMS, formAround } from "../../core/brand/forms";
import { rect } from "../../core/geometry/rect";
import { outlineBounds } from "../../core/type/outline";
import { svgPath } from "../../core/type/svgPath";

const PLACE = rect(0, 0, 100, 100);

/** The form of a brand, chosen from all there are. @param color what it is shown in */
export function FormChoice({
  value,
  color,
  onChoose,
}: {
  value: BrandForm;
  color: string;
  onChoose: (form: BrandForm) => void;
}) {
  return (
    <fieldset className="col-span-2">
      <legend className="mb-1 text-sm font-semibold">
        Form <span className="font-normal text-soft">scenes are revealed in it, and it closes over the last</span>
      </legend>
      <div className="grid grid-cols-6 gap-2 max-sm:grid-cols-3">
        {FORMS.map((form) => (
          <FormSwatch key={form} form={form} color={color} isChosen={form === value} onChoose={onChoose} />
        ))}
      </div>
    </fieldset>
  );
}

function FormSwatch({
  form,
  color,
  isChosen,
  onChoose,
}: {
  form: BrandForm;
  color: string;
  isChosen: boolean;
  onChoose: (form: BrandForm) => void;
}) {
  const outline = formAround(form, PLACE, 1);
  const { x, y, width, height } = outlineBounds(outline) ?? PLACE;
  const choose = (): void => onChoose(form);
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      onClick={choose}
      className={clsx(
        "flex flex-col items-center gap-1 border bg-card px-2 pt-2.5 pb-1.5 text-[13px]",
        isChosen ? "border-ink outline-2 outline-accent" : "border-firm hover:border-ink",
      )}
    >
      <svg aria-hidden viewBox={`${x} ${y} ${width} ${height}`} className="h-9 w-9">
        <path d={svgPath(outline)} fill={color} />
      </svg>
      {form}
    </button>
  );
}
