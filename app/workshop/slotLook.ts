import { fieldLook } from "../components/fieldLook";

/** How the many small fields of a slot's rules look. */
export const slotField = { className: "", look: `${fieldLook} py-1! text-[14px]!` } as const;
