import { type Role } from "../db/tables";

/** Whether a person may change what templates lock, and make templates: designers and owners. */
export const mayChangeLocked = (role: Role): boolean => role === "designer" || role === "owner";
