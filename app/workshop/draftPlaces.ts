import { stepsOf, valueAt } from "../../core/document/patch";
import { type TemplateDocument } from "../../core/document/templateDocument";
import { type InWords } from "../edits/tellMerged";

const LONGEST_SHOWN = 60;

/** How the places of a draft are said to people. */
export const draftInWords = (document: TemplateDocument): InWords => ({
  place(path) {
    const [part = "", scene = "", field, slot = "", rule] = stepsOf(path);
    if (part !== "scenes") return `the ${NAMED[part] ?? part} of the template`;
    const { name = scene, slots = {} } = document.scenes[scene] ?? {};
    if (field === undefined) return `scene “${name}”`;
    if (field !== "slots") return `the ${NAMED[field] ?? field} of scene “${name}”`;
    const of = `“${name}: ${slots[slot]?.label ?? slot}”`;
    return rule === undefined ? of : `the ${NAMED[rule] ?? rule} of ${of}`;
  },
  mine(path) {
    const value = valueAt(document, path);
    return typeof value === "string" || typeof value === "number"
      ? `“${String(value).slice(0, LONGEST_SHOWN)}”`
      : "another";
  },
});

/** Fields whose names here are not what people call them. */
const NAMED: Readonly<Record<string, string>> = {
  about: "description",
  allows: "rules for fillers",
  logo: "logo",
  most: "number of rows",
  order: "place among the others",
  overlap: "length of the transition",
  places: "place by hand",
  style: "look",
};
