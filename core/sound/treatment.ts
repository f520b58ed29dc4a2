/** What can be taken away from a recording, or made even in it, in the order in which that is done. */
export const CLEANINGS = ["hum", "hiss", "gate", "even"] as const;
export type Cleaning = (typeof CLEANINGS)[number];

/** What a voice can be made to sound like. */
export const CHARACTERS = ["deeper", "lighter", "telephone", "room"] as const;
export type Character = (typeof CHARACTERS)[number];

/** How a sound is worked on before it is heard. */
export interface Treatment {
  readonly cleaned: readonly Cleaning[];
  readonly character: Character | null;
}

const STEPS: readonly string[] = [...CLEANINGS, ...CHARACTERS];

/** A treatment by one name, the same for the same steps; null where nothing is done. */
export function treatmentName({ cleaned, character }: Treatment): string | null {
  const steps = [...CLEANINGS.filter((one) => cleaned.includes(one)), ...(character === null ? [] : [character])];
  return steps.length > 0 ? steps.join("-") : null;
}

/** The treatment of a name; null where it is none. */
export function readTreatment(name: string): Treatment | null {
  const steps = name.split("-");
  const cleaned = CLEANINGS.filter((one) => steps.includes(one));
  const character = CHARACTERS.find((one) => steps.includes(one)) ?? null;
  const treatment = { cleaned, character };
  return steps.every((step) => STEPS.includes(step)) && treatmentName(treatment) === name ? treatment : null;
}
