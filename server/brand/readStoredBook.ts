import { readBrandBook } from "../../core/brand/book";
import { readOnce } from "../db/readOnce";

/** Reads a brand book as it is stored. Most pages need the books of their team. */
export const readStoredBook = readOnce(readBrandBook);
