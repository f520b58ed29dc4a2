import { type Template } from "../document/template";
import { type TemplateRef } from "../document/promotion";
import { type TemplatesByRef, templateKey } from "../document/facts";
import { EMPTY_SCENES } from "./emptyScenes";
import { HOW_TO, MENU, TIPS_TOP_AND_TAIL } from "./lists";
import { BACK_IN_STOCK, EVENT, HIRING, NEW_ARRIVAL, OPENING_HOURS } from "./news";
import { BUNDLE, COUNTDOWN, ONE_OFFER, PRICE_ON_A_CARD } from "./priceDrops";
import { BEFORE_AFTER, BEHIND_THE_COUNTER, QUOTE, THREE_REASONS, TRIPLE_STACK } from "./proofs";

/** The templates that come with Stencilcraft. Each is in its first edition; what a team makes of them is the team's own. */
export const SHIPPED_TEMPLATES: readonly Template[] = [
  ONE_OFFER,
  PRICE_ON_A_CARD,
  NEW_ARRIVAL,
  THREE_REASONS,
  BEFORE_AFTER,
  EVENT,
  TIPS_TOP_AND_TAIL,
  TRIPLE_STACK,
  QUOTE,
  COUNTDOWN,
  HOW_TO,
  BUNDLE,
  BACK_IN_STOCK,
  MENU,
  OPENING_HOURS,
  HIRING,
  BEHIND_THE_COUNTER,
];

export const SHIPPED_EDITION = 1;

export const shippedRef = ({ slug }: Pick<Template, "slug">): TemplateRef => ({ slug, edition: SHIPPED_EDITION });

/** Everything that ships and can be drawn on; what is in no gallery too. */
export const SHIPPED_BY_REF: TemplatesByRef = Object.fromEntries(
  [...SHIPPED_TEMPLATES, EMPTY_SCENES].map((template) => [templateKey(shippedRef(template)), template]),
);

/** Whether a slug is taken by something that ships. */
export const isShippedSlug = (slug: string): boolean => templateKey(shippedRef({ slug })) in SHIPPED_BY_REF;

/** A shipped template by its slug; null when it is not one. */
export const shippedTemplate = (slug: string): Template | null =>
  SHIPPED_TEMPLATES.find((template) => template.slug === slug) ?? null;
