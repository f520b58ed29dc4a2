import { by, picture, scene, signOff, template, words } from "./build";

/** Three reasons, each with its picture. */
export const THREE_REASONS = template({
  slug: "three-reasons",
  name: "Three reasons",
  purpose: "reasons",
  about: "One claim and three reasons for it, each beside a picture of its own.",
  scenes: [
    scene("claim", "Claim", {
      length: 2600,
      arrangement: by("words-only"),
      slots: [
        words("headline", "headline", { fallback: "Three good reasons" }),
        words("line", "line", { binding: "product.name", required: false }),
      ],
      overlap: 0,
      ground: "primary",
      logo: true,
    }),
    ...(["first", "second", "third"] as const).map((id, index) =>
      scene(id, `Reason ${index + 1}`, {
        length: 3600,
        arrangement: by("split", { pictureFirst: index % 2 === 0, share: 0.58 }),
        slots: [
          words("figure", "name", {
            label: "Number",
            hint: "A number or a word",
            fallback: String(index + 1),
            budget: 3,
            color: "accent",
          }),
          words("reason", "name", {
            label: "Reason",
            hint: "In few words",
            fallback: ["Made round the corner", "Chosen by hand", "Ready today"][index] ?? "",
          }),
          picture("picture", index === 0 ? {} : { from: "nothing" }),
        ],
        ground: index === 1 ? "ground" : "card",
      }),
    ),
    signOff(3600, { from: "slot:third.picture" }),
  ],
});

/** How it was and how it is. */
export const BEFORE_AFTER = template({
  slug: "before-and-after",
  name: "Before and after",
  purpose: "before and after",
  about: "Two pictures from the same place; the second wipes over the first and rests half way.",
  scenes: [
    scene("change", "Change", {
      length: 7000,
      arrangement: by("before-after"),
      slots: [
        words("headline", "name", { label: "What changed", fallback: "One afternoon later" }),
        words("before", "label", { label: "First label", fallback: "Before" }),
        words("after", "label", { label: "Second label", fallback: "After" }),
        picture("first", { label: "Before", accepts: ["picture"] }),
        picture("second", {
          label: "After",
          hint: "From the same place as the first",
          from: "nothing",
          accepts: ["picture"],
        }),
      ],
      overlap: 0,
      ground: "card",
    }),
    signOff(3500, { from: "slot:change.second" }),
  ],
});

/** What somebody said. */
export const QUOTE = template({
  slug: "in-their-words",
  name: "In their words",
  purpose: "quote",
  about: "What a customer said, with their stars, and what they said it about.",
  scenes: [
    scene("quote", "Quote", {
      length: 6000,
      arrangement: by("quote"),
      slots: [
        words("stars", "stars", { fallback: "5", required: false }),
        words("quote", "quote", { fallback: "I came in for one and went home with four. No regrets." }),
        words("who", "line", {
          label: "Who said it",
          hint: "First name, place",
          fallback: "Maren, from round the corner",
          budget: 36,
        }),
        picture("picture", { required: false, from: "nothing" }),
      ],
      overlap: 0,
      ground: "ground",
    }),
    signOff(4500, { from: "product" }),
  ],
  style: { motion: "fade" },
});

/** A strip story: the words and three pictures in strips, then one of them large. */
export const TRIPLE_STACK = template({
  slug: "three-strips",
  name: "Three strips",
  purpose: "strips",
  about:
    "Three pictures in strips of equal shape, then each large in its turn. Any of them can be swapped for a new version.",
  scenes: [
    scene("strips", "Strips", {
      length: 4800,
      arrangement: by("stack"),
      slots: [
        picture("first", { label: "First strip", shape: "wide" }),
        picture("second", { label: "Second strip", shape: "wide", from: "nothing" }),
        picture("third", { label: "Third strip", shape: "wide", from: "nothing" }),
      ],
      overlap: 0,
      ground: "card",
    }),
    ...(["first", "second", "third"] as const).map((id, index) =>
      scene(id, `Strip ${index + 1}`, {
        length: 2900,
        arrangement: by("full-picture", { backing: "auto" }),
        slots: [
          words("line", "name", {
            label: "Line",
            fallback: ["Out of the ground", "Onto the bench", "Into your hands"][index] ?? "",
          }),
          picture("picture", { from: `slot:strips.${id}` }),
        ],
        overlap: 400,
      }),
    ),
    signOff(3200, { from: "slot:strips.third", overlap: 500 }),
  ],
});

/** Clips only: a look behind the counter. */
export const BEHIND_THE_COUNTER = template({
  slug: "behind-the-counter",
  name: "Behind the counter",
  purpose: "other",
  about: "Clips only: three moments from the workshop, a line on each, and an invitation.",
  scenes: [
    scene("first", "First moment", {
      length: 4200,
      arrangement: by("full-picture", { backing: "auto" }),
      slots: [
        words("headline", "headline", { fallback: "Behind the counter" }),
        picture("clip", { label: "First clip", accepts: ["clip"], from: "nothing", leastSeconds: 4 }),
      ],
      overlap: 0,
      logo: true,
    }),
    scene("second", "Second moment", {
      length: 4200,
      arrangement: by("full-picture", { words: "top" }),
      slots: [
        words("line", "name", { label: "Line", fallback: "Every one by hand" }),
        picture("clip", { label: "Second clip", accepts: ["clip"], from: "slot:first.clip", leastSeconds: 4 }),
      ],
    }),
    scene("third", "Third moment", {
      length: 4200,
      arrangement: by("full-picture"),
      slots: [
        words("line", "name", { label: "Line", fallback: "Ready when you are" }),
        picture("clip", { label: "Third clip", accepts: ["clip"], from: "slot:second.clip", leastSeconds: 4 }),
      ],
    }),
    signOff(3900, { from: "slot:third.clip" }),
  ],
  style: { motion: "fade" },
});
