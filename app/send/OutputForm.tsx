import { type ChangeEvent } from "react";
import { Problem } from "../components/Problem";
import { FILE_KINDS, FILE_KIND_NAMES, isFileKind } from "../../core/output/fileKinds";
import { RATE_NAMES, isRate } from "../../core/output/rates";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { type Placement } from "../../core/placement/placements";
import { DRAFT, QUALITIES, type Quality, isQuality, outputSize } from "../../core/placement/quality";
import { ASKED_FOR } from "../../core/sound/finish";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { Choice, Field } from "../components/Field";
import { FormatMark } from "../components/FormatMark";
import { megabytes } from "../components/mediaLook";
import { lufsInWords } from "../pace/lufsInWords";
import { type RenderChoice } from "./renderChoice";

const QUALITY_TEXT: Readonly<Record<Quality, string>> = {
  "480p": "a draft to check, marked as one",
  "720p": "light, for slow lines",
  "1080p": "to post",
  "2160p": "4K, for large screens",
};

/** What is rendered: formats alike, or placements as each asks. */
export function OutputForm({
  choice,
  formats,
  placements,
  languages,
  problems,
  onChange,
}: {
  choice: RenderChoice;
  formats: readonly FormatName[];
  /** Those in the promotion's formats. */
  placements: readonly Placement[];
  /** The languages that there are captions in. */
  languages: readonly string[];
  problems: Readonly<Record<string, string>>;
  onChange: (change: Partial<RenderChoice>) => void;
}) {
  return (
    <>
      <ChoiceSwitch
        label="Render for"
        choices={["formats", "placements"]}
        words={{ formats: "Formats", placements: "Placements" }}
        value={choice.by}
        onChoose={(by) => onChange({ by })}
      />
      {choice.by === "formats" ? (
        <FormatsForm {...{ choice, formats, problems, onChange }} />
      ) : (
        <PlacementsForm {...{ choice, placements, problems, onChange }} />
      )}
      {languages.length > 0 && (choice.by === "placements" || FILE_KINDS[choice.kind].takesLimit) && (
        <Choice
          label="Captions inside the file"
          hint="to be turned on"
          className="mt-4"
          value={choice.captions}
          onChange={({ target }) => onChange({ captions: target.value })}
          options={[["", "none"], ...languages.map((language) => [language, language] as const)]}
          problem={problems["captions"]}
        />
      )}
    </>
  );
}

type Part = Pick<Parameters<typeof OutputForm>[0], "choice" | "problems" | "onChange">;

function FormatsForm({ choice, formats, problems, onChange }: Part & { formats: readonly FormatName[] }) {
  const { isMoving, hasSound, takesLimit, about } = FILE_KINDS[choice.kind];
  const toggle = ({ target }: ChangeEvent<HTMLInputElement>): void => {
    const isOn = (format: FormatName): boolean =>
      format === target.value ? target.checked : choice.formats.includes(format);
    onChange({ formats: formats.filter(isOn) });
  };
  return (
    <>
      <fieldset className="mt-5">
        <legend className="mb-2 font-heading text-lg font-semibold">Quality</legend>
        {QUALITIES.map((quality) => (
          <label
            key={quality}
            className="flex cursor-pointer items-center gap-3 border-b border-rule py-2 first-of-type:border-t"
          >
            <input
              type="radio"
              name="shown-quality"
              value={quality}
              checked={choice.quality === quality}
              onChange={() => onChange({ quality })}
              className="accent-accent"
            />
            <span className="w-12 figures text-[13px]">{quality}</span>{" "}
            <span className="text-sm text-soft">{QUALITY_TEXT[quality]}</span>
          </label>
        ))}
      </fieldset>
      <div className="mt-4 grid grid-cols-2 gap-3">
        <Choice
          label="Kind of file"
          className="col-span-2"
          hint={about}
          value={choice.kind}
          onChange={({ target }) => isFileKind(target.value) && onChange({ kind: target.value })}
          options={FILE_KIND_NAMES.map((kind) => [kind, FILE_KINDS[kind].title] as const)}
        />
        {isMoving && hasSound && (
          <Choice
            label="Frames a second"
            value={choice.rate}
            onChange={({ target }) => isRate(target.value) && onChange({ rate: target.value })}
            options={RATE_NAMES.map((rate) => [rate, rate] as const)}
          />
        )}
        {takesLimit && (
          <Field
            label="Most MB"
            hint="or free"
            inputMode="decimal"
            value={choice.most}
            onChange={({ target }) => onChange({ most: target.value })}
            problem={problems["most"]}
          />
        )}
        {hasSound && (
          <Choice
            label="Loudness"
            className={takesLimit ? "col-span-2" : ""}
            value={choice.loudness}
            onChange={({ target }) => onChange({ loudness: target.value })}
            options={[
              ["", "as the promotion has it"],
              ...ASKED_FOR.map((lufs) => [String(lufs), lufsInWords(lufs)] as const),
            ]}
          />
        )}
      </div>
      <h2 className="mt-6 mb-2">What you get</h2>
      <ul className="divide-y divide-rule border-y border-rule text-sm">
        {formats.map((format) => {
          const { width, height } = outputSize(format, choice.quality);
          return (
            <li key={format}>
              <label className="flex cursor-pointer items-center gap-2.5 py-2">
                <input
                  type="checkbox"
                  value={format}
                  checked={choice.formats.includes(format)}
                  onChange={toggle}
                  className="accent-accent"
                />
                <FormatMark format={format} /> {formatTitle(format)}{" "}
                <span className="ml-auto figures">{choice.kind === "sound" ? "" : `${width} × ${height}`}</span>
              </label>
            </li>
          );
        })}
      </ul>
    </>
  );
}

function PlacementsForm({ choice, placements, problems, onChange }: Part & { placements: readonly Placement[] }) {
  const toggle = ({ target }: ChangeEvent<HTMLInputElement>): void =>
    onChange({
      placements: placements
        .map(({ id }) => id)
        .filter((id) => (id === target.value ? target.checked : choice.placements.includes(id))),
    });
  const isDraft = choice.quality === DRAFT;
  const draft = ({ target }: ChangeEvent<HTMLInputElement>): void => {
    const quality = target.checked ? DRAFT : "1080p";
    if (isQuality(quality)) onChange({ quality });
  };
  return (
    <fieldset className="mt-5">
      <legend className="mb-2 font-heading text-lg font-semibold">Where it goes</legend>
      {placements.length === 0 && (
        <p className="text-sm text-soft">No placement has a shape that this promotion is made in.</p>
      )}
      {placements.map((placement) => (
        <label
          key={placement.id}
          className="flex cursor-pointer items-start gap-3 border-b border-rule py-2 text-sm first-of-type:border-t"
        >
          <input
            type="checkbox"
            value={placement.id}
            checked={choice.placements.includes(placement.id)}
            onChange={toggle}
            className="mt-1 accent-accent"
          />
          <span className="min-w-0">
            <span className="flex items-center gap-2">
              <FormatMark format={placement.format} size={11} /> {placement.title}
            </span>
            <span className="block text-[13px] text-soft">{takenInWords(placement)}</span>
          </span>
        </label>
      ))}
      <Problem text={problems["placements"]} className="mt-2" />
      <label className="mt-3 flex items-center gap-2 text-sm">
        <input type="checkbox" checked={isDraft} onChange={draft} className="accent-accent" /> as 480p drafts
      </label>
    </fieldset>
  );
}

/** What is made for a placement, in a line. */
function takenInWords({ format, quality, kinds, rates, mostBytes, loudness }: Placement): string {
  const { width, height } = outputSize(format, quality);
  const kind = FILE_KINDS[kinds[0] ?? "mp4"];
  return [
    `${width} × ${height}`,
    kind.title,
    ...(kind.isMoving ? [`${rates[0] ?? ""} fps`] : []),
    ...(kind.hasSound ? [`${String(loudness).replace("-", "−")} LUFS`] : []),
    ...(mostBytes === null ? [] : [`≤ ${megabytes(mostBytes)}`]),
  ].join(" · ");
}
