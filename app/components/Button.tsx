import { type ButtonHTMLAttributes } from "react";
import { Link, type LinkProps } from "react-router";

type Look = "main" | "plain" | "quiet";

const LOOKS: Readonly<Record<Look, string>> = {
  main: "bg-accent text-card hover:bg-accent-deep disabled:bg-firm",
  plain: "bg-[#e9e1d0] text-ink hover:bg-rule disabled:text-firm",
  quiet: "text-soft underline-offset-2 hover:text-ink hover:underline disabled:text-firm disabled:no-underline",
};
const SHAPE = "inline-flex items-center justify-center gap-2 whitespace-nowrap font-semibold transition-colors";
const lookClasses = (look: Look): string => `${SHAPE} ${look === "quiet" ? "py-1" : "cut px-4 py-2"} ${LOOKS[look]}`;

/** A button; `main` is the one main action of a screen. */
export function Button({
  look = "plain",
  className = "",
  type = "button",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look }) {
  return <button type={type} className={`${lookClasses(look)} ${className}`} {...rest} />;
}

export function ButtonLink({ look = "plain", className = "", ...rest }: LinkProps & { look?: Look }) {
  return <Link className={`${lookClasses(look)} ${className}`} {...rest} />;
}
