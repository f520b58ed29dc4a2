import { type Edit, together } from "../document/edit";
import { FOR_ALL, adjust } from "../document/edits";
import { type Promotion } from "../document/promotion";
import { millis } from "../units";
import { type HeldUpBy, type PacedScene } from "./pacedScenes";
import { shareLength } from "./shareLength";

/** The length that a promotion is held to, in milliseconds; undefined where it is free. */
export const heldLength = ({ adjustments }: Pick<Promotion, "adjustments">): number | undefined =>
  adjustments["@all"]?.held;

/** How long scenes last together. */
export const lengthOfAll = (scenes: readonly PacedScene[]): number =>
  scenes.reduce((whole, { length, overlap }) => whole + length - overlap, 0);

/** Why scenes can't last a given time together. */
export interface OutOfReach {
  /** How long they can last, in milliseconds. */
  readonly least: number;
  readonly most: number;
  /** What holds each of them up, those first that are held up longest. */
  readonly heldUp: readonly {
    readonly scene: string;
    readonly name: string;
    readonly least: number;
    readonly by: HeldUpBy;
  }[];
}

/** A change of lengths, or why there is none. */
export type Retimed = { readonly edit: Edit } | { readonly outOfReach: OutOfReach };

/** Has scenes last a given time together, shared among them. @param target whole milliseconds */
export function retime(scenes: readonly PacedScene[], target: number): Retimed {
  const joins = scenes.reduce((whole, { overlap }) => whole + overlap, 0);
  const shared = shareLength(scenes, target + joins);
  if (!("lengths" in shared))
    return {
      outOfReach: {
        least: shared.least - joins,
        most: shared.most - joins,
        heldUp: scenes
          .map(({ id, name, least, heldUpBy }) => ({ scene: id, name, least: Math.ceil(least), by: heldUpBy }))
          .sort((one, other) => other.least - one.least),
      },
    };
  const edits = scenes.flatMap(({ id, length }, at) => {
    const next = shared.lengths[at] ?? length;
    return next === length ? [] : [adjust("length", millis(next), { target: { scene: id } })];
  });
  return { edit: together("Lengths", edits) };
}

/** Holds a promotion to a length, which its scenes share. */
export function holdLength(scenes: readonly PacedScene[], target: number): Retimed {
  const retimed = retime(scenes, target);
  if (!("edit" in retimed)) return retimed;
  return { edit: together("Length of the promotion", [adjust("held", millis(target), FOR_ALL), retimed.edit]) };
}

/** Lets a promotion be as long as its scenes are. */
export const freeLength = (): Edit => adjust("held", null, FOR_ALL);

/**
 * Has a scene last a given time. Where the promotion is held to a length, the others share what that takes from them.
 * @param length milliseconds @param held what the promotion is held to
 * @param label of a step of its own for undo; else it is one with what was typed before
 */
export function setSceneLength(
  scenes: readonly PacedScene[],
  {
    scene,
    length,
    held,
    label = "Length",
  }: {
    readonly scene: string;
    readonly length: number;
    readonly held: number | undefined;
    readonly label?: string | undefined;
  },
): Retimed {
  const shortest = scenes.find(({ id }) => id === scene)?.shortest ?? 0;
  const wanted = Math.round(Math.max(shortest, length));
  const own = { ...adjust("length", millis(wanted), { target: { scene } }), label };
  if (held === undefined) return { edit: own };
  const fixed = scenes.map((one) => (one.id === scene ? { ...one, length: wanted, least: wanted, most: wanted } : one));
  const others = retime(fixed, held);
  return "edit" in others ? { edit: together(label, [own, others.edit]) } : others;
}
