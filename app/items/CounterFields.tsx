import { type ChangeEvent } from "react";
import { type Item, MOST_COUNT } from "../../core/document/items";
import { dayAfter } from "../../core/offer/days";
import { fieldLook } from "../components/fieldLook";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";

type Counter = Extract<Item, { readonly kind: "counter" }>;

const GOALS = ["a number", "a date"] as const;

/** What a counter counts from, and to which number or which day. */
export function CounterFields({
  item,
  today,
  onChange,
}: {
  item: Counter;
  today: string | null;
  onChange: (item: Counter) => void;
}) {
  // A week from now, until another day is chosen.
  const chooseGoal = (goal: (typeof GOALS)[number]): void =>
    onChange({ ...item, day: goal === "a date" && today !== null ? dayAfter(today, 7) : null });
  const setDay = ({ target: { value } }: ChangeEvent<HTMLInputElement>): void => {
    if (value !== "") onChange({ ...item, day: value });
  };
  return (
    <>
      <ChoiceField
        label="Counts to"
        choices={GOALS}
        value={item.day === null ? "a number" : "a date"}
        onChange={chooseGoal}
      />
      {item.day === null ? (
        <NumberField
          label="Up to"
          least={0}
          most={MOST_COUNT}
          value={item.goal}
          onChange={(goal) => onChange({ ...item, goal: Math.round(goal) })}
        />
      ) : (
        <label className="text-[13px] text-soft">
          Days until
          <input type="date" value={item.day} onChange={setDay} className={`${fieldLook} mt-1 px-1! text-[13px]!`} />
        </label>
      )}
      <NumberField
        label="Starting at"
        least={0}
        most={MOST_COUNT}
        value={item.start}
        onChange={(start) => onChange({ ...item, start: Math.round(start) })}
      />
    </>
  );
}
