import { by, picture, scene, signOff, template, words } from "./build";

/** Something new in the shop. */
export const NEW_ARRIVAL = template({
  slug: "just-in",
  name: "Just in",
  purpose: "new arrival",
  about: "Ten seconds for something new: its picture large, its name on your colour, where to find it.",
  scenes: [
    scene("look", "First look", {
      length: 3500,
      arrangement: by("full-picture", { words: "top" }),
      slots: [words("headline", "headline", { fallback: "Just in" }), picture("picture", { label: "Picture or clip" })],
      overlap: 0,
      logo: true,
    }),
    scene("name", "What it is", {
      length: 4000,
      arrangement: by("cut-out-card"),
      slots: [
        words("name", "name", { label: "Product", binding: "product.name" }),
        words("line", "line", { binding: "product.line", required: false }),
        words("price", "name", {
          label: "Price",
          hint: "As in the catalogue",
          binding: "product.price",
          required: false,
          budget: 12,
          color: "accent",
        }),
        picture("picture", { shape: "square", from: "slot:look.picture", accepts: ["picture"] }),
      ],
      ground: "ground",
    }),
    signOff(3500, { from: "slot:look.picture" }),
  ],
});

/** It was gone, now it is here again. Six seconds. */
export const BACK_IN_STOCK = template({
  slug: "back-on-the-shelf",
  name: "Back on the shelf",
  purpose: "back in stock",
  about: "Six seconds: it was gone, it is here again, and how to get one before it goes once more.",
  scenes: [
    scene("back", "Back", {
      length: 3400,
      arrangement: by("full-picture", { words: "middle" }),
      slots: [
        words("headline", "headline", { fallback: "Back on the shelf" }),
        words("name", "line", { label: "Product", binding: "product.name" }),
        picture("picture"),
      ],
      overlap: 0,
    }),
    signOff(3000, { overlap: 400, from: "slot:back.picture" }),
  ],
  style: { motion: "slide" },
});

/** An invitation, with the code that leads to it. */
export const EVENT = template({
  slug: "you-are-invited",
  name: "You are invited",
  purpose: "event",
  about: "An invitation in three breaths: what, when and where, and a code that leads to the booking.",
  scenes: [
    scene("what", "What", {
      length: 4500,
      arrangement: by("full-picture", { words: "middle" }),
      slots: [
        words("headline", "headline", { fallback: "An evening at the shop" }),
        words("line", "line", { fallback: "Come by, stay a while", required: false }),
        picture("picture", { label: "Picture or clip" }),
      ],
      overlap: 0,
      logo: true,
    }),
    scene("when", "When and where", {
      length: 6000,
      arrangement: by("steps", { numbered: false }),
      slots: [
        words("heading", "name", { label: "Heading", fallback: "Save the evening" }),
        words("day", "step", { label: "Day", hint: "Weekday and date", fallback: "Friday, from six" }),
        words("place", "step", { label: "Place", hint: "Where to come", fallback: "In the shop, round the back" }),
        words("bring", "step", { label: "Good to know", fallback: "Free, but places are few", required: false }),
        picture("picture", { from: "slot:what.picture", required: false }),
      ],
      ground: "primary",
    }),
    signOff(5500, { code: true, call: "Keep a place for me", from: "slot:what.picture" }),
  ],
});

/** When the doors are open. Words only. */
export const OPENING_HOURS = template({
  slug: "opening-hours",
  name: "Opening hours",
  purpose: "notice",
  about: "Words only: a notice that hours have changed, the hours themselves, and who says so.",
  scenes: [
    scene("notice", "Notice", {
      length: 2800,
      arrangement: by("words-only"),
      slots: [
        words("headline", "headline", { fallback: "New opening hours" }),
        words("line", "line", { fallback: "From this week on", required: false }),
      ],
      overlap: 0,
      ground: "primary",
      logo: true,
    }),
    scene("hours", "Hours", {
      length: 4700,
      arrangement: by("steps", { numbered: false }),
      slots: [
        words("heading", "name", { label: "Heading", fallback: "We are here" }),
        words("first", "step", { label: "First line", fallback: "Monday to Thursday, 8 to 17" }),
        words("second", "step", { label: "Second line", fallback: "Friday, 8 to 19", required: false }),
        words("third", "step", { label: "Third line", fallback: "Saturday, 9 to 14", required: false }),
      ],
      ground: "ground",
    }),
    signOff(3500, { picture: false }),
  ],
  style: { motion: "slide", transition: "wipe" },
});

/** Looking for people. */
export const HIRING = template({
  slug: "come-and-work-here",
  name: "Come and work here",
  purpose: "notice",
  about: "A post to fill: the question, what the work is like in three lines, and a code to write to you.",
  scenes: [
    scene("question", "Question", {
      length: 4200,
      arrangement: by("split", { share: 0.52 }),
      slots: [
        words("headline", "headline", { fallback: "Early riser? Good hands?" }),
        words("line", "line", { fallback: "We are looking for one more", required: false }),
        picture("picture", {
          label: "Picture or clip",
          hint: "The place of work, with people at it",
          accepts: ["picture", "clip"],
        }),
      ],
      overlap: 0,
      ground: "primary",
    }),
    scene("work", "The work", {
      length: 6300,
      arrangement: by("steps"),
      slots: [
        words("heading", "name", { label: "Heading", fallback: "What you would do" }),
        words("first", "step", { label: "First", fallback: "Open the shop and set it up" }),
        words("second", "step", { label: "Second", fallback: "Help people choose", required: false }),
        words("third", "step", { label: "Third", fallback: "Learn the craft as you go", required: false }),
      ],
      ground: "ground",
    }),
    signOff(5500, { code: true, call: "Write to us", from: "slot:question.picture" }),
  ],
});
