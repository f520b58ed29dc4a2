import { type SceneTemplate } from "../document/sceneTemplate";
import { type FormatName } from "../placement/formats";
import { type Finding, type Severity, SEVERITIES } from "./finding";
import { placeInWords } from "./placeInWords";
import { RULES } from "./rules";

/** A finding as somebody reads it who has no desk at hand. */
export interface ReportedFinding extends Pick<Finding, "rule" | "severity" | "words" | "numbers"> {
  /** What must hold, in a sentence. */
  readonly about: string;
  readonly place: string;
  /** What one press would do on the desk. */
  readonly cures: readonly string[];
}

/** What was found in a promotion, to keep or to hand on. */
export interface Report {
  readonly promotion: string;
  readonly revision: number;
  /** When it was looked at, as ISO 8601. */
  readonly at: string;
  readonly formats: readonly FormatName[];
  readonly counts: Readonly<Record<Severity, number>>;
  readonly findings: readonly ReportedFinding[];
  /** Every rule that was asked, those without findings too. */
  readonly rules: readonly { readonly id: string; readonly about: string; readonly found: number }[];
}

interface Reported extends Pick<Report, "promotion" | "revision" | "at" | "formats"> {
  readonly scenes: readonly SceneTemplate[];
}

/** The report of what was found. */
export function reportOf(findings: readonly Finding[], { scenes, ...about }: Reported): Report {
  const count = (severity: Severity): number => findings.filter((one) => one.severity === severity).length;
  return {
    ...about,
    counts: { wrong: count("wrong"), warning: count("warning"), advice: count("advice") },
    findings: [...findings]
      .sort((one, other) => SEVERITIES.indexOf(one.severity) - SEVERITIES.indexOf(other.severity))
      .map(({ rule, severity, where, words, numbers, cures }) => ({
        rule,
        about: RULES.find(({ id }) => id === rule)?.about ?? "",
        severity,
        place: placeInWords(where, scenes),
        words,
        numbers,
        cures: cures.map(({ label }) => label),
      })),
    rules: RULES.map(({ id, about: says }) => ({
      id,
      about: says,
      found: findings.filter(({ rule }) => rule === id).length,
    })),
  };
}
