import { newArrangement } from "../document/arrangements";
import { type Edit } from "../document/edit";
import { adjust } from "../document/edits";
import { DESIGN_FIELD_IDS, FIELDS, type FieldId, type ValueOf } from "../document/fields";
import { rect } from "../geometry/rect";
import { millis } from "../units";

/** A value of each field that is not what “One product, one offer” has. */
const OTHER: { readonly [Id in FieldId]: ValueOf<Id> } = {
  arrangement: newArrangement("split"),
  ground: "primary",
  logo: false,
  logoPlace: rect(100, 100, 200, 120),
  watermarkPlace: rect(500, 900, 120, 120),
  skipped: true,
  length: millis(5000),
  gives: 2,
  droppable: true,
  stepsBack: 20,
  loudness: -16,
  ceiling: -2,
  script: "Come to the yard. It is half price.",
  stepsBackIn: millis(100),
  comesForwardIn: millis(900),
  held: millis(20_000),
  overlap: millis(300),
  transition: "wipe",
  joinColor: "white",
  joinAngle: 45,
  joinEase: "even",
  closing: "shape closes",
  closingLasts: millis(800),
  closingColor: "black",
  captionsIn: "de",
  captionsAt: "high",
  captionsOn: "primary",
  captionsSize: 1.2,
  motion: "pop",
  shade: 0.7,
  blur: 12,
  goes: "shrink",
  pieces: "word by word",
  strength: 1.5,
  pause: millis(300),
  ease: "gentle",
  zoom: false,
  depth: 1,
  picturesCome: "drop",
  wordsMove: "float",
  lettersCome: "word by word",
  picturesGo: "shrink",
  picturesMove: "sway",
  goesOn: true,
  color: "accent",
  capitals: true,
  numbered: true,
  emphasis: "sale",
  comesAt: millis(700),
  goesBefore: millis(600),
  hidden: true,
  place: rect(60, 60, 400, 200),
  way: "whole",
  point: { x: 0.25, y: 0.75 },
  enlarged: 1.5,
  turned: 12,
  mirrored: true,
  window: rect(0.1, 0.1, 0.5, 0.5),
  strip: 0.3,
  behind: { kind: "color", color: "sale" },
  follows: false,
  bends: [{ frame: 12, x: 0.25, y: 0.75 }],
  look: [
    { kind: "look", look: "terracotta", strength: 0.6 },
    { kind: "grade", grade: { exposure: 0.5, shadows: -0.2 }, off: true },
  ],
  clipLevel: 0.6,
  at: { x: 0.25, y: 0.75 },
  size: 0.5,
  tall: 2,
  angle: 30,
  ink: "sale",
  capital: true,
  numbering: true,
  emphasisInk: "primary",
  plate: "primary",
  plateShape: "ribbon",
  counts: millis(900),
  comes: "slide",
  departs: "grow",
  moves: "sway",
  opacity: 0.5,
  starts: millis(400),
  ends: millis(300),
};

/** Something that can be set, and the edit that sets it. */
export interface Setting {
  readonly what: string;
  readonly id: FieldId;
  readonly edit: Edit;
  /** The slot that it is set for; null where it is set for the scene. */
  readonly slot: "headline" | "picture" | null;
}

const settingsOf = (ids: readonly (typeof DESIGN_FIELD_IDS)[number][]): readonly Setting[] =>
  ids.flatMap((id) => {
    const field = FIELDS[id];
    const { layers } = field;
    const ofSlot = field.of === "slot" && field.kinds.some((kind) => kind === "words") ? "headline" : "picture";
    const slot = field.of === "scene" ? null : ofSlot;
    const target = { scene: "hook", slot: slot ?? undefined };
    return layers
      .filter((layer) => !layer.startsWith("@"))
      .map((layer): Setting => ({
        what: `${id} in the layer ${layer}`,
        id,
        slot,
        edit: adjust(id, OTHER[id], { target, layer, format: "square" }),
      }));
  });

/**
 * Every field of the registry that a template may lock, set in every layer that it has for the first scene of a template,
 * or for its headline or picture; and the fields of scenes that all who fill may set.
 */
export const SETTINGS = settingsOf(DESIGN_FIELD_IDS.filter((id) => FIELDS[id].lock !== null));
export const FREE_SETTINGS = settingsOf(DESIGN_FIELD_IDS.filter((id) => FIELDS[id].lock === null));
