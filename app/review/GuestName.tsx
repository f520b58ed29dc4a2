import { type ChangeEvent } from "react";
import { Field } from "../components/Field";

/** What somebody without an account calls themselves. */
export interface Guest {
  readonly name: string;
  readonly onName: (name: string) => void;
}

/** Where somebody without an account says who they are; nothing for a member. */
export function GuestName({ guest, problem }: { guest: Guest | null; problem: string | undefined }) {
  if (guest === null) return null;
  const write = ({ target }: ChangeEvent<HTMLInputElement>): void => guest.onName(target.value);
  return (
    <Field
      label="Your name"
      name="name"
      value={guest.name}
      onChange={write}
      required
      maxLength={60}
      autoComplete="name"
      problem={problem}
    />
  );
}
