import { type SyntheticEvent, useId, useState } from "react";
import { Button } from "../components/Button";
import { inputClasses } from "../components/Field";

/** Asks for the campaign that marked promotions are filed under: one that there is, a new one, or none. */
export function CampaignForm({
  campaigns,
  onChosen,
}: {
  campaigns: readonly string[];
  onChosen: (campaign: string) => void;
}) {
  const id = useId();
  const [name, setName] = useState("");
  const choose = (event: SyntheticEvent<HTMLFormElement>): void => {
    event.preventDefault();
    onChosen(name.trim());
  };
  const type = ({ currentTarget }: SyntheticEvent<HTMLInputElement>): void => setName(currentTarget.value);
  return (
    <form onSubmit={choose} className="flex items-center gap-2">
      <label htmlFor={id}>Campaign</label>
      <input
        id={id}
        list={`${id}-known`}
        value={name}
        onChange={type}
        maxLength={60}
        placeholder="none"
        className={`${inputClasses} h-8 w-44 py-1`}
      />
      <datalist id={`${id}-known`}>
        {campaigns.map((campaign) => (
          <option key={campaign} value={campaign} />
        ))}
      </datalist>
      <Button type="submit" className="py-1!">
        {name.trim() === "" ? "File under none" : "File under it"}
      </Button>
    </form>
  );
}
