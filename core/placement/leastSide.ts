/** The least side of a place, design units: smaller can neither be read nor be taken hold of. */
export const LEAST_SIDE = 24;
