import { Field } from "./Field";

/** Where somebody chooses a password. */
export function NewPasswordField({
  label = "Password",
  problem,
  className,
}: {
  label?: string;
  problem: string | undefined;
  className?: string;
}) {
  return (
    <Field
      label={label}
      name="password"
      type="password"
      hint="at least 10 characters"
      problem={problem}
      autoComplete="new-password"
      {...(className === undefined ? {} : { className })}
    />
  );
}
