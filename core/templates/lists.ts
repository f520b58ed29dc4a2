import { by, picture, products, scene, signOff, template, words } from "./build";

const TIPS = [
  "Take your time with the first one",
  "Fresh is worth more than much",
  "Ask us, we like to be asked",
  "Come early for the best of it",
] as const;

/** A heading that stays while tips change below it. Cuts, so that it reads as one shot. */
export const TIPS_TOP_AND_TAIL = template({
  slug: "good-to-know",
  name: "Good to know",
  purpose: "tips",
  about: "A heading that stays put, four clips or pictures at their true shape, and a tip under each. Thirty seconds.",
  scenes: [
    ...TIPS.map((tip, index) =>
      scene(`tip-${index + 1}`, `Tip ${index + 1}`, {
        length: 6600,
        arrangement: by("top-and-tail"),
        slots: [
          words("heading", "headline", {
            label: "Heading",
            hint: "The same in every scene",
            fallback: "Four small things that help",
          }),
          words("tip", "line", { label: "Tip", hint: "One thing to do", fallback: tip }),
          picture("picture", { label: "Picture or clip", shape: "wide", from: index === 0 ? "product" : "nothing" }),
        ],
        overlap: 0,
        ground: "primary",
      }),
    ),
    signOff(4100, { from: "slot:tip-1.picture" }),
  ],
  style: { zoom: false },
});

/** How to do something, step by step. Thirty seconds. */
export const HOW_TO = template({
  slug: "step-by-step",
  name: "Step by step",
  purpose: "how-to",
  about: "Thirty seconds of know-how: what it will be, each step with its picture, all steps once more to save.",
  scenes: [
    scene("promise", "What it will be", {
      length: 4500,
      arrangement: by("full-picture", { words: "bottom" }),
      slots: [words("headline", "headline", { fallback: "Do it in four steps" }), picture("picture")],
      overlap: 0,
      logo: true,
    }),
    ...(["first", "second", "third", "fourth"] as const).map((id, index) =>
      scene(id, `Step ${index + 1}`, {
        length: 4800,
        arrangement: by("split", { share: 0.6, pictureFirst: true }),
        slots: [
          words("figure", "name", {
            label: "Number",
            hint: "A number or a word",
            fallback: `Step ${index + 1}`,
            budget: 8,
            color: "accent",
          }),
          words("step", "name", {
            label: "Step",
            hint: "As an order",
            fallback: ["Choose a good one", "Make it ready", "Take your time", "Enjoy it"][index] ?? "",
          }),
          picture("picture", index === 0 ? { from: "slot:promise.picture" } : { from: "nothing" }),
        ],
        ground: "ground",
      }),
    ),
    scene("all", "All steps", {
      length: 5000,
      arrangement: by("steps"),
      slots: [
        words("heading", "name", { label: "Heading", fallback: "Once more, to keep" }),
        ...["Choose a good one", "Make it ready", "Take your time", "Enjoy it"].map((step, index) =>
          words(`step-${index + 1}`, "step", { label: `Step ${index + 1}`, fallback: step, required: index < 2 }),
        ),
      ],
      ground: "primary",
    }),
    signOff(4300, { from: "slot:promise.picture" }),
  ],
});

/** What there is this week and what it costs. */
export const MENU = template({
  slug: "this-week",
  name: "This week",
  purpose: "menu",
  about:
    "Up to six rows of the catalogue with their prices in line, a picture to whet the appetite, and the code to order.",
  scenes: [
    scene("title", "Title", {
      length: 3500,
      arrangement: by("full-picture", { words: "middle" }),
      slots: [words("headline", "headline", { fallback: "This week" }), picture("picture")],
      overlap: 0,
      logo: true,
    }),
    scene("list", "List", {
      length: 7000,
      arrangement: by("price-list"),
      slots: [
        words("heading", "name", { label: "Heading", fallback: "Fresh on the counter" }),
        products(6),
        picture("picture", { required: false, from: "slot:title.picture" }),
      ],
      ground: "card",
    }),
    signOff(5500, { code: true, from: "slot:title.picture" }),
  ],
});
