import { millis } from "../units";
import { type Template } from "./template";

/** One product, one offer: a hook, the product, the offer, a sign-off. 15 seconds with three half-second crossfades. */
export const ONE_OFFER: Template = {
  version: 1,
  slug: "one-offer",
  name: "One product, one offer",
  purpose: "A price that is lower for a while: say it, show it, name the price, invite.",
  scenes: [
    {
      id: "hook", name: "Headline", arrangement: "full-picture", length: millis(3500), overlap: millis(0),
      slots: [
        { kind: "words", id: "headline", label: "Headline", hint: "Few words, read in a second", required: true, role: "headline", budget: 40, fallback: "Now is the time" },
        { kind: "media", id: "picture", label: "Picture", hint: "Fills the whole frame", required: true, accepts: ["picture", "clip"], from: "product" },
      ],
    },
    {
      id: "product", name: "Product", arrangement: "product", length: millis(4000), overlap: millis(500),
      slots: [
        { kind: "words", id: "name", label: "Product", hint: "What it is called", required: true, role: "name", budget: 32, binding: "product.name" },
        { kind: "words", id: "line", label: "Line", hint: "One thing to know about it", required: false, role: "line", budget: 60, binding: "product.line" },
        { kind: "media", id: "picture", label: "Picture or clip", hint: "The product, close", required: true, accepts: ["picture", "clip"], from: "product" },
      ],
    },
    {
      id: "offer", name: "Offer", arrangement: "offer", length: millis(4500), overlap: millis(500),
      slots: [
        { kind: "offer", id: "offer", label: "Offer", hint: "From the catalogue", required: true },
        { kind: "words", id: "terms", label: "Terms", hint: "While stocks last, in the shop only", required: false, role: "small", budget: 60 },
        { kind: "media", id: "picture", label: "Picture", hint: "The product again, from another side", required: true, accepts: ["picture", "clip"], from: "product" },
      ],
    },
    {
      id: "sign-off", name: "Sign-off", arrangement: "sign-off", length: millis(4500), overlap: millis(500),
      slots: [
        { kind: "words", id: "call", label: "Call to action", hint: "What to do now", required: true, role: "call", budget: 28, binding: "brand.call" },
        { kind: "words", id: "website", label: "First line", hint: "From the brand book", required: false, role: "contact", budget: 32, binding: "brand.sign-off.first" },
        { kind: "words", id: "handle", label: "Second line", hint: "From the brand book", required: false, role: "contact", budget: 24, binding: "brand.sign-off.second" },
        { kind: "media", id: "picture", label: "Picture behind", hint: "Blurred and shaded", required: true, accepts: ["picture", "clip"], from: "slot:offer.picture" },
      ],
    },
  ],
  sound: { fadeIn: millis(1000), fadeOut: millis(1500), loudness: -14 },
};

export const TEMPLATES: readonly Template[] = [ONE_OFFER];

/** A template by its slug. Throws, naming it, when there is none. */
export function templateBySlug(slug: string): Template {
  const found = TEMPLATES.find((template) => template.slug === slug);
  if (!found) throw new RangeError(`There is no template “${slug}”.`);
  return found;
}
