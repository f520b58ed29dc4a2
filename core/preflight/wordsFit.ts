import { type Found, type SceneRule } from "./finding";
import { shownWords } from "./shownWords";

/** Words fit into their place at a size that can be read. */
export const wordsFit: SceneRule = {
  id: "words-fit",
  about: "Words fit into their place at the size that their role needs.",
  isByFormat: true,
  look: ({ prepared }) =>
    shownWords(prepared).flatMap(({ key, parts }): Found[] => {
      const tight = parts.find(({ fitted }) => fitted && !fitted.fits);
      return tight?.fitted
        ? [
            {
              severity: "wrong",
              slot: key,
              words: "too long for this design: shorten the words",
              numbers: { size: Math.round(tight.fitted.size), smallestSize: Math.round(tight.smallest) },
              cures: [],
            },
          ]
        : [];
    }),
};

/** Every letter is in a typeface. */
export const lettersThere: SceneRule = {
  id: "letters-there",
  about: "Every letter is in one of the typefaces.",
  isByFormat: false,
  look: ({ prepared }) =>
    shownWords(prepared).flatMap(({ key, parts }): Found[] => {
      const missing = parts.map(({ fitted }) => fitted?.missing ?? "").join("");
      return missing === ""
        ? []
        : [
            {
              severity: "wrong",
              slot: key,
              words: `no typeface has “${missing}”`,
              numbers: { letters: Array.from(missing).length },
              cures: [],
            },
          ];
    }),
};
