/** How large a template package may be: more than any that we write. */
export const MOST_PACKAGE_BYTES = 300_000_000;
