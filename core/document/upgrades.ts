import { newArrangement, type Arrangement } from "./arrangements";
import { orderedRecord } from "./ordered";

/**
 * Steps from one version of a document to the next. Each takes plain JSON and gives plain JSON; the schema checks the end
 * of it. What is not a document of an older version is given back as it is.
 */
type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const listOf = (value: unknown): Json[] => (Array.isArray(value) ? value.filter(isObject) : []);

const PROMOTION_STEPS: Readonly<Record<number, (document: Json) => Json>> = {
  1: promotionFrom1,
  2: promotionFrom2,
  3: promotionFrom3,
  4: promotionFrom4,
  5: promotionFrom5,
};

export function upgradePromotion(value: unknown): unknown {
  if (!isObject(value)) return value;
  const step = PROMOTION_STEPS[Number(value["version"])];
  return step ? upgradePromotion(step(value)) : value;
}
const TEMPLATE_STEPS: Readonly<Record<number, (document: Json) => Json>> = {
  1: templateFrom1,
  2: templateFrom2,
  3: templateFrom3,
  4: templateFrom4,
};
export function upgradeTemplate(value: unknown): unknown {
  if (!isObject(value)) return value;
  const step = TEMPLATE_STEPS[Number(value["version"])];
  return step ? upgradeTemplate(step(value)) : value;
}

/** 2 → 3: a template says which formats it is made in. */
function templateFrom2(document: Json): Json {
  return { ...document, version: 3, formats: [...FORMATS_OF_2] };
}

/** 3 → 4: lists are records with an order, as those of promotions. */
function templateFrom3({ formats, scenes, ...document }: Json): Json {
  const byId = (list: readonly Json[]): Json =>
    orderedRecord(list.map(({ id, ...one }) => ({ id: String(id), ...one })));
  return {
    ...document,
    version: 4,
    formats: orderedRecord(Array.isArray(formats) ? formats.map((id) => ({ id: String(id) })) : []),
    scenes: byId(listOf(scenes).map((scene) => ({ ...scene, slots: byId(listOf(scene["slots"])) }))),
  };
}

/** 4 → 5: a template has items, and sets what its scenes do not hold themselves. */
function templateFrom4(document: Json): Json {
  return { ...document, version: 5, items: {}, adjustments: {} };
}

/** The only template that promotions of version 1 could have, and its scenes. */
const SCENES_OF_1: readonly string[] = ["hook", "product", "offer", "sign-off"];

/** 1 → 2: a promotion has a list of scenes of its own, and the edition of its template. */
function promotionFrom1(document: Json): Json {
  const slug = document["template"];
  return {
    ...document,
    version: 2,
    template: { slug, edition: 1 },
    scenes: SCENES_OF_1.map((scene) => ({ id: scene, from: { slug, edition: 1, scene } })),
    changes: {},
    spare: [],
  };
}

const FORMATS_OF_2 = ["square", "vertical", "widescreen"];

/** 2 → 3: lists are records with an order; what was changed of scenes and slots is set by field, where it holds. */
function promotionFrom2({ changes, ...document }: Json): Json {
  const scenes = listOf(document["scenes"]);
  const adjustments: Record<string, Json> = {};
  const set = (key: string, fields: Json): void => {
    const defined = Object.entries(fields).filter(([, value]) => value !== undefined);
    if (defined.length > 0) adjustments[key] = { ...adjustments[key], ...Object.fromEntries(defined) };
  };
  for (const { id, arrangement, ground, length } of scenes) set(String(id), { arrangement, ground, length });
  for (const [slot, change] of Object.entries(isObject(changes) ? changes : {})) {
    if (!isObject(change)) continue;
    set(slot, { color: change["color"], hidden: change["hidden"] === true ? true : undefined });
    for (const [format, place] of Object.entries(isObject(change["places"]) ? change["places"] : {}))
      set(`${slot}@${format}`, { place });
  }
  return {
    ...document,
    version: 3,
    formats: orderedRecord(FORMATS_OF_2.map((id) => ({ id }))),
    scenes: orderedRecord(scenes.map(({ id, from }) => ({ id: String(id), from }))),
    adjustments,
    spare: Object.fromEntries(
      listOf(document["spare"]).map((spare, index) => [`spare-${String(index + 1).padStart(3, "0")}`, spare]),
    ),
  };
}

/** 3 → 4: a slot shows shots instead of one medium, and the tune is one of any number of sounds. */
function promotionFrom3({ tune, ...document }: Json): Json {
  const shots = (fill: unknown): unknown =>
    isObject(fill) && fill["kind"] === "media"
      ? { kind: "media", shots: { "shot-1": { order: "a0", media: fill["media"] } } }
      : fill;
  const members = (name: string): [string, unknown][] => Object.entries(isObject(document[name]) ? document[name] : {});
  return {
    ...document,
    version: 4,
    fills: Object.fromEntries(members("fills").map(([slot, fill]) => [slot, shots(fill)])),
    spare: Object.fromEntries(
      members("spare").map(([id, spare]) => [id, isObject(spare) ? { ...spare, fill: shots(spare["fill"]) } : spare]),
    ),
    items: {},
    lanes: typeof tune === "string" ? { tune: { order: "a0", lane: "music", media: tune } } : {},
  };
}

/** 4 → 5: a promotion says where it is to be posted. */
function promotionFrom4(document: Json): Json {
  return { ...document, version: 5, placements: {} };
}

/** 5 → 6: a promotion has captions, and may be a shorter version of another. */
function promotionFrom5(document: Json): Json {
  return { ...document, version: 6, captions: {}, longer: null };
}

const ARRANGEMENTS_OF_1: Readonly<
  Record<string, { readonly arrangement: Arrangement; readonly ground: string; readonly logo: boolean }>
> = {
  "full-picture": { arrangement: newArrangement("full-picture"), ground: "card", logo: true },
  product: { arrangement: newArrangement("split"), ground: "card", logo: false },
  offer: {
    arrangement: { name: "split", share: 0.44, pictureFirst: false, besideInSquare: true },
    ground: "primary",
    logo: false,
  },
  "sign-off": { arrangement: newArrangement("sign-off"), ground: "ink", logo: true },
};

/** 1 → 2: arrangements have parameters, slots and scenes say what a filler may change, the template has a style. */
function templateFrom1(document: Json): Json {
  return {
    ...document,
    version: 2,
    purpose: "other",
    about: typeof document["purpose"] === "string" ? document["purpose"] : "",
    scenes: listOf(document["scenes"]).map((scene) => ({
      ...scene,
      ...(ARRANGEMENTS_OF_1[String(scene["arrangement"])] ?? {}),
      slots: listOf(scene["slots"]).map((slot) => ({
        ...slot,
        allows: { content: true, color: false, position: false, remove: slot["required"] !== true },
        ...(slot["kind"] === "media" ? { needs: { shape: "any", leastPixels: 0, leastSeconds: 0 } } : {}),
      })),
      allows: { arrangement: true, color: false, timing: true, remove: true },
      places: {},
    })),
    style: { motion: "rise", transition: "crossfade", zoom: true, faces: {} },
  };
}
