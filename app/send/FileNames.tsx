import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import { type ChangeEvent, useState } from "react";
import { useFetcher } from "react-router";
import { NAME_PARTS, type Named, USUAL_PATTERN, fileNameBy, patternProblem } from "../../core/output/fileName";
import { Button } from "../components/Button";
import { Field } from "../components/Field";

/** How the team's files are called, tried on one that would be made. */
export function FileNames({ pattern, sample }: { pattern: string; sample: Named }) {
  const [typed, setTyped] = useState(pattern);
  const saving = useFetcher();
  const problem = patternProblem(typed);
  const write = ({ target }: ChangeEvent<HTMLInputElement>): void => setTyped(target.value);
  return (
    <Disclosure as="section" className="mt-6" aria-label="File names">
      <DisclosureButton className="w-full border-y border-rule py-2 text-left text-sm">
        <span className="font-semibold">File names</span>
        <span className="block figures break-all text-soft">
          {fileNameBy(problem === null && typed !== "" ? typed : USUAL_PATTERN, sample)}
        </span>
      </DisclosureButton>
      <DisclosurePanel className="border-b border-rule py-3">
        <saving.Form method="post" className="flex flex-col gap-3">
          <Field
            label="Pattern"
            hint="for all of the team"
            name="pattern"
            value={typed}
            placeholder={USUAL_PATTERN}
            onChange={write}
            problem={problem ?? undefined}
          />
          <ul className="text-[13px] text-soft">
            {Object.entries(NAME_PARTS).map(([name, about]) => (
              <li key={name}>
                <span className="figures text-ink">{`{${name}}`}</span> {about}
              </li>
            ))}
          </ul>
          <Button
            type="submit"
            name="intent"
            value="pattern"
            disabled={problem !== null || typed === pattern || saving.state !== "idle"}
            className="self-start"
          >
            Call files so
          </Button>
        </saving.Form>
      </DisclosurePanel>
    </Disclosure>
  );
}
