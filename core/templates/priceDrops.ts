import { by, offer, picture, scene, signOff, template, words } from "./build";

/** One product, one offer: a hook, the product, the offer, a sign-off. 15 seconds with three half-second crossfades. */
export const ONE_OFFER = template({
  slug: "one-offer",
  name: "One product, one offer",
  purpose: "price drop",
  about: "A price that is lower for a while: say it, show it, name the price, invite.",
  scenes: [
    scene("hook", "Headline", {
      length: 3500,
      arrangement: by("full-picture"),
      slots: [
        words("headline", "headline", { fallback: "Now is the time", budget: 40 }),
        picture("picture", { hint: "Fills the whole frame" }),
      ],
      overlap: 0,
      logo: true,
    }),
    scene("product", "Product", {
      length: 4000,
      arrangement: by("split"),
      slots: [
        words("name", "name", { label: "Product", binding: "product.name" }),
        words("line", "line", { binding: "product.line", required: false }),
        picture("picture", { label: "Picture or clip", hint: "The product, close" }),
      ],
    }),
    scene("offer", "Offer", {
      length: 4500,
      arrangement: by("split", { share: 0.44, pictureFirst: false, besideInSquare: true }),
      slots: [
        offer(),
        words("terms", "small", { label: "Terms", hint: "While stocks last, in the shop only", required: false }),
        picture("picture", { hint: "The product again, from another side" }),
      ],
      ground: "primary",
    }),
    signOff(4500, { from: "slot:offer.picture" }),
  ],
});

/** Seven seconds: the card with its price, as long as that takes to read, then who. */
export const PRICE_ON_A_CARD = template({
  slug: "price-on-a-card",
  name: "Price on a card",
  purpose: "price drop",
  about: "Seven seconds for a feed: the product on your colour, its price on a badge, and where to get it.",
  scenes: [
    scene("card", "Card", {
      length: 4500,
      arrangement: by("cut-out-card"),
      slots: [
        words("name", "name", { label: "Product", binding: "product.name" }),
        offer(),
        picture("picture", { hint: "The product, with room around it", shape: "square", accepts: ["picture"] }),
      ],
      ground: "ground",
      overlap: 0,
    }),
    signOff(3000, { from: "slot:card.picture" }),
  ],
  style: { motion: "pop", zoom: false },
});

/** The last days of an offer, counted down. Words and figures only, until the offer itself. */
export const COUNTDOWN = template({
  slug: "last-days",
  name: "Last days",
  purpose: "countdown",
  about: "Counts the days to the end of an offer in figures that fill the frame, then says what it is.",
  scenes: [
    scene("three", "Three days", {
      length: 1800,
      arrangement: by("words-only"),
      slots: [
        words("figure", "figure", { fallback: "3" }),
        words("line", "name", { label: "What is counted", hint: "Days left", fallback: "days left" }),
      ],
      ground: "primary",
      overlap: 0,
    }),
    scene("two", "Two days", {
      length: 1600,
      arrangement: by("words-only"),
      slots: [
        words("figure", "figure", { fallback: "2" }),
        words("line", "name", { label: "What is counted", hint: "Days left", fallback: "days left" }),
      ],
      ground: "ink",
      overlap: 200,
    }),
    scene("one", "Last day", {
      length: 1600,
      arrangement: by("words-only"),
      slots: [
        words("figure", "figure", { fallback: "1" }),
        words("line", "name", { label: "What is counted", hint: "Day left", fallback: "day left" }),
      ],
      ground: "sale",
      overlap: 200,
    }),
    scene("offer", "Offer", {
      length: 3100,
      arrangement: by("full-picture", { words: "bottom" }),
      slots: [
        words("headline", "headline", { binding: "offer.badge", fallback: "Before it is gone" }),
        words("line", "line", { binding: "offer.until", fallback: "Until the weekend" }),
        picture("picture"),
      ],
      overlap: 300,
    }),
    signOff(3000, { from: "slot:offer.picture", overlap: 400 }),
  ],
  style: { motion: "pop", transition: "push" },
});

/** Several things, one price. */
export const BUNDLE = template({
  slug: "all-together",
  name: "All together",
  purpose: "bundle",
  about: "Four things that go together arrive one after another, then the price for all of them.",
  scenes: [
    scene("parts", "The parts", {
      length: 5500,
      arrangement: by("mosaic"),
      slots: [
        words("headline", "headline", { fallback: "Four things, one basket" }),
        picture("first", { label: "First picture" }),
        picture("second", { label: "Second picture", from: "nothing" }),
        picture("third", { label: "Third picture", from: "nothing" }),
        picture("fourth", { label: "Fourth picture", from: "nothing" }),
      ],
      overlap: 0,
      ground: "ground",
    }),
    scene("offer", "Together", {
      length: 5500,
      arrangement: by("cut-out-card", { pictureFirst: false }),
      slots: [
        words("headline", "name", { label: "What it is", fallback: "Together for less" }),
        offer(),
        words("terms", "small", { label: "Terms", required: false }),
        picture("picture", { hint: "All of it in one picture", accepts: ["picture"] }),
      ],
      ground: "card",
    }),
    signOff(5000, { code: true, from: "slot:offer.picture" }),
  ],
});
