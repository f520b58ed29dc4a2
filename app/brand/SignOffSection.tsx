import { type ChangeEvent } from "react";
import { type BrandBook, SIGN_OFF_LINES, signOffWords } from "../../core/brand/book";
import { type OfferedMedia } from "../../server/media/offeredMedia";
import { Choice } from "../components/Field";
import { RightsMark } from "../components/RightsMark";
import { FormChoice } from "./FormChoice";
import { Lines } from "./Lines";
import { WatermarkFields } from "./WatermarkFields";

interface SignOffProps {
  book: BrandBook;
  onChange: (part: Partial<BrandBook>) => void;
}

/** How promotions of a brand end, and what runs through them: sign-off, tune, watermark, form, legal lines. */
export function SignOffSection({
  book,
  sounds,
  problems,
  onChange,
}: SignOffProps & { sounds: readonly OfferedMedia[]; problems: Readonly<Record<string, string>> }) {
  const tune = sounds.find(({ facts }) => facts.id === book.tune);
  const chooseTune = (event: ChangeEvent<HTMLSelectElement>): void => onChange({ tune: event.target.value || null });
  const chooseForm = (form: BrandBook["form"]): void => onChange({ form });
  const changeWatermark = (watermark: BrandBook["watermark"]): void => onChange({ watermark });
  const changeLegal = (legal: BrandBook["legal"]): void => onChange({ legal });
  return (
    <section aria-label="Sign-off and sound" className="grid grid-cols-2 gap-x-6 gap-y-4 max-sm:grid-cols-1">
      <h2 className="col-span-2 -mb-1">Sign-off, watermark, form, sound</h2>
      <SignOffLine which="first" label="Under the call to action" book={book} onChange={onChange} />
      <SignOffLine which="second" label="And under that" book={book} onChange={onChange} />
      <div>
        <Choice
          label="House tune"
          value={book.tune ?? ""}
          problem={problems["tune"]}
          options={[["", "none"], ...sounds.map(({ facts }) => [facts.id, facts.name] as const)]}
          onChange={chooseTune}
        />
        {tune && <RightsMark state={tune.rights} className="mt-1" />}
      </div>
      <WatermarkFields watermark={book.watermark} problems={problems} onChange={changeWatermark} />
      <FormChoice value={book.form} color={book.colors.primary.hex} onChoose={chooseForm} />
      <div className="col-span-2">
        <Lines
          label="Legal line"
          hint="small print offered in promotions"
          values={book.legal}
          path="legal"
          problems={problems}
          add="A legal line"
          onChange={changeLegal}
        />
      </div>
    </section>
  );
}

/** One of the lines that stand under the call to action. */
function SignOffLine({
  which,
  label,
  book,
  onChange,
}: SignOffProps & { which: keyof BrandBook["signOff"]; label: string }) {
  const choose = (event: ChangeEvent<HTMLSelectElement>): void =>
    onChange({
      signOff: { ...book.signOff, [which]: SIGN_OFF_LINES.find((line) => line === event.target.value) ?? "nothing" },
    });
  return (
    <Choice
      label={label}
      hint={signOffWords(book, which) || "empty"}
      value={book.signOff[which]}
      options={SIGN_OFF_LINES.map((line) => [line, line])}
      onChange={choose}
    />
  );
}
