import { clsx } from "clsx";

/** How fields look in which something is typed or chosen. */
export const fieldLook = clsx(
  "w-full border border-rule bg-white px-2.5 py-1.5 text-[15px] [&:is(input,textarea):read-only]:bg-[#efe9dc]",
  "focus-visible:border-accent focus-visible:outline-1 focus-visible:outline-accent",
);
