import { createContext } from "react";

/** The word that marks the page's own scripts, so that the browser runs no others. Empty in the browser itself. */
export const Nonce = createContext("");
