import { string } from "yup";

/** Where a member stands among the others of its record. */
export const orderKey = string()
  .matches(/^[0-9A-Za-z]{1,60}$/, "An order is letters and digits.")
  .required();
