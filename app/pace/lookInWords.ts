import { type Look, type LookStep } from "../../core/document/look";
import { GRADE_NAMES, GRADE_VALUES } from "../../core/grading/grade";

/** What a step of a look is called. */
export function stepInWords(step: LookStep): string {
  switch (step.kind) {
    case "look":
      return step.look;
    case "overlay":
      return step.overlay;
    case "grade": {
      const changed = GRADE_NAMES.filter((name) => step.grade[name]).map((name) =>
        GRADE_VALUES[name].label.toLowerCase(),
      );
      return changed.length > 0 ? changed.join(", ") : "colours as they are";
    }
  }
}

/** A look in a few words. */
export const lookInWords = (look: Look): string =>
  look.length === 0 ? "as it is" : look.map((step) => `${stepInWords(step)}${step.off ? " (off)" : ""}`).join(" + ");
