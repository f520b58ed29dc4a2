import { type ChangeEvent } from "react";
import { type BrandBook, CORNERS } from "../../core/brand/book";
import { Choice, Field } from "../components/Field";

/** The small mark over scenes: whether, in which corner, how large, how much of it is seen. */
export function WatermarkFields({
  watermark,
  problems,
  onChange,
}: {
  watermark: BrandBook["watermark"];
  problems: Readonly<Record<string, string>>;
  onChange: (watermark: BrandBook["watermark"]) => void;
}) {
  const chooseCorner = (event: ChangeEvent<HTMLSelectElement>): void => {
    const corner = CORNERS.find((one) => one === event.target.value);
    onChange({ ...watermark, on: corner !== undefined, ...(corner ? { corner } : {}) });
  };
  const changeSize = (event: ChangeEvent<HTMLInputElement>): void =>
    onChange({ ...watermark, size: Number(event.target.value) / 100 });
  const changeOpacity = (event: ChangeEvent<HTMLInputElement>): void =>
    onChange({ ...watermark, opacity: Number(event.target.value) / 100 });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_80px_80px] gap-3">
      <Choice
        label="Watermark"
        value={watermark.on ? watermark.corner : ""}
        options={[["", "none"], ...CORNERS.map((corner) => [corner, corner.replace("-", " ")] as const)]}
        onChange={chooseCorner}
      />
      <Field
        label="Size %"
        type="number"
        min={5}
        max={30}
        value={Math.round(watermark.size * 100)}
        onChange={changeSize}
        problem={problems["watermark.size"]}
      />
      <Field
        label="Opacity %"
        type="number"
        min={20}
        max={100}
        value={Math.round(watermark.opacity * 100)}
        onChange={changeOpacity}
        problem={problems["watermark.opacity"]}
      />
    </div>
  );
}
