import { by, scene, signOff, template, words } from "./build";

/** Where a designer begins who begins from nothing: a headline and a sign-off. */
export const EMPTY_TEMPLATE = template({
  slug: "new-template",
  name: "New template",
  purpose: "other",
  about: "",
  scenes: [
    scene("scene-1", "First scene", {
      length: 3000,
      arrangement: by("words-only"),
      slots: [words("headline", "headline", { fallback: "Say it here" })],
      overlap: 0,
      ground: "primary",
    }),
    signOff(3000, { picture: false }),
  ],
});
