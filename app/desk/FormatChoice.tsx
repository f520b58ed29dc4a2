import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { Shapes } from "lucide-react";
import { type SubmitEvent, useState } from "react";
import { type FormatName, NAMED_FORMATS, formatOf, formatOfRatio, formatTitle } from "../../core/placement/formats";
import { Button } from "../components/Button";
import { FormatMark } from "../components/FormatMark";
import { fieldLook } from "../components/fieldLook";

/** Which formats something is made in: those that have a name, and shapes of one's own. */
export function FormatChoice({
  formats,
  onFormats,
}: {
  formats: readonly FormatName[];
  onFormats: (formats: readonly FormatName[]) => void;
}) {
  const [problem, setProblem] = useState("");
  const offered = [...NAMED_FORMATS, ...formats.filter((format) => !NAMED_FORMATS.some((named) => named === format))];
  const choose = (format: FormatName, isOn: boolean): void =>
    onFormats(isOn ? [...formats, format] : formats.filter((one) => one !== format));

  function addShape(event: SubmitEvent<HTMLFormElement>): void {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    try {
      const format = formatOfRatio(Number(form.get("across")), Number(form.get("down")));
      setProblem("");
      if (!formats.includes(format)) choose(format, true);
      event.currentTarget.reset();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  }

  return (
    <Popover>
      <PopoverButton className="flex items-center gap-1.5 bg-card px-2.5 py-1 text-[13px] cut hover:bg-white">
        <Shapes aria-hidden size={14} /> Formats
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: "top end", gap: 6 }}
        className="z-20 w-[264px] border border-rule bg-card p-4 text-[14px] shadow-xl"
      >
        <fieldset>
          <legend className="sr-only">Made in these formats</legend>
          {offered.map((format) => {
            const { ratio } = formatOf(format);
            const title = formatTitle(format);
            const isOn = formats.includes(format);
            return (
              <label key={format} className="flex items-center gap-2.5 py-1">
                <input
                  type="checkbox"
                  className="accent-accent"
                  checked={isOn}
                  disabled={isOn && formats.length === 1}
                  onChange={(event) => choose(format, event.target.checked)}
                />
                <FormatMark format={format} /> {title}
                {title !== ratio && <span className="ml-auto figures text-soft">{ratio}</span>}
              </label>
            );
          })}
        </fieldset>
        <form onSubmit={addShape} className="mt-2 flex items-center gap-2 border-t border-rule pt-3">
          <input
            name="across"
            aria-label="Across"
            inputMode="numeric"
            placeholder="5"
            className={`${fieldLook} w-14!`}
          />
          :
          <input name="down" aria-label="Down" inputMode="numeric" placeholder="7" className={`${fieldLook} w-14!`} />
          <Button type="submit">Add shape</Button>
        </form>
        <p role="alert" className={problem ? "mt-2 text-[13px] text-wrong" : "sr-only"}>
          {problem}
        </p>
      </PopoverPanel>
    </Popover>
  );
}
