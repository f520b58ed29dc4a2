import { readPromotion } from "../../core/document/promotion";
import { readOnce } from "../db/readOnce";

/** Reads a promotion's document as the database holds it. Throws as `readPromotion` does. */
export const readStored = readOnce(readPromotion);
