import { type Found, type SceneRule } from "./finding";
import { shownWords } from "./shownWords";

/** Words on pictures stand out from them (WCAG 2.2, 1.4.3). */
export const contrastOnPictures: SceneRule = {
  id: "contrast-on-pictures",
  about: "Words over pictures reach the contrast that they need.",
  isByFormat: true,
  look: ({ prepared }) =>
    shownWords(prepared).flatMap(({ key, parts }): Found[] => {
      const { contrast, wanted } = parts.find(({ backing }) => backing)?.backing ?? { contrast: null, wanted: 0 };
      return contrast !== null && contrast < wanted
        ? [
            {
              severity: "warning",
              slot: key,
              words: `hard to read on the picture: ${contrast.toFixed(1)}:1 where ${wanted}:1 is wanted`,
              numbers: { contrast, wanted },
              cures: [],
            },
          ]
        : [];
    }),
};
