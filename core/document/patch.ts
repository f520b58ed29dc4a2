import { array, mixed, object, string } from "yup";
import { Refusal } from "../refusal";

/**
 * One change of a document: a subset of JSON Patch (RFC 6902) on members of records, with paths as JSON Pointers
 * (RFC 6901). Two things differ from it, so that people who work at once do not fail each other: what is removed may be
 * gone already, and among sparse records a member is made with the first thing in it, and goes with the last.
 */
export type Change =
  | { readonly op: "add" | "replace"; readonly path: string; readonly value: unknown }
  | { readonly op: "remove"; readonly path: string };

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** The path to a member: `pointer("fills", "hook.headline")` is `/fills/hook.headline`. */
export const pointer = (...steps: readonly string[]): string =>
  steps.map((step) => `/${step.replaceAll("~", "~0").replaceAll("/", "~1")}`).join("");

/** The steps of a path. Throws, naming it, when it is none. */
export function stepsOf(path: string): string[] {
  if (!path.startsWith("/")) throw new Refusal(`“${path}” is not a path: it starts with “/”.`);
  return path
    .slice(1)
    .split("/")
    .map((step) => step.replaceAll("~1", "/").replaceAll("~0", "~"));
}

/** What stands at a path; undefined where nothing does. */
export const valueAt = (document: unknown, path: string): unknown =>
  stepsOf(path).reduce(
    (value, step) => (isObject(value) && Object.hasOwn(value, step) ? value[step] : undefined),
    document,
  );

/** How paths lead through a kind of document. */
export interface Paths {
  /** Whether what stands at some steps is made with the first thing in it, and goes with the last. */
  readonly isSparse: (steps: readonly string[]) => boolean;
  /** Whether what stands at some steps is put in as a whole, whatever of it differs. */
  readonly isWhole: (steps: readonly string[]) => boolean;
}

/**
 * A document after some changes. Members of records stay in the order of their names, so that a change and its inverse
 * give the same bytes. Throws, naming the path, when there is nothing to replace, or nothing to add to.
 */
export const patched = <Document extends object>(
  document: Document,
  patch: readonly Change[],
  paths: Pick<Paths, "isSparse">,
): Document => patch.reduce((before, change) => changed(before, change, paths), document);

function changed<Document extends object>(
  document: Document,
  change: Change,
  { isSparse }: Pick<Paths, "isSparse">,
): Document {
  const steps = stepsOf(change.path);
  const put = (value: unknown, depth: number): unknown => {
    const step = steps[depth] ?? "";
    const made = value === undefined && isSparse(steps.slice(0, depth)) ? {} : value;
    if (!isObject(made)) {
      if (change.op === "remove") return value;
      throw new Refusal(`There is no “${pointer(...steps.slice(0, depth))}” any more.`);
    }
    const own = Object.hasOwn(made, step) ? made[step] : undefined;
    if (depth < steps.length - 1) {
      const inner = put(own, depth + 1);
      const isGone = isObject(inner) && Object.keys(inner).length === 0 && isSparse(steps.slice(0, depth + 1));
      return isGone ? without(made, step) : inner === own ? made : withMember(made, step, inner);
    }
    if (change.op === "remove") return own === undefined ? made : without(made, step);
    if (change.op === "replace" && own === undefined) throw new Refusal(`There is no “${change.path}” any more.`);
    return withMember(made, step, change.value);
  };
  // Only plain records are rebuilt, each with the members it had: what a document must be is checked by its own schema.
  return put(document, 0) as Document;
}

/** Keeps the place of a member that is there; a new one is put in by its name. */
const withMember = (record: Json, name: string, value: unknown): Json =>
  Object.hasOwn(record, name) ? { ...record, [name]: value } : inOrder({ ...record, [name]: value });

const without = (record: Json, name: string): Json =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== name));

/** A record in the order of its members' names. */
export const inOrder = <Key extends string, Value>(record: Readonly<Record<Key, Value>>): Record<Key, Value> =>
  // The same members, so the same keys.
  Object.fromEntries(Object.entries<Value>(record).sort(([one], [other]) => (one < other ? -1 : 1))) as Record<
    Key,
    Value
  >;

/** A value with all records in it in the order of their members' names. */
export const inOrderThroughout = (value: unknown): unknown =>
  isObject(value)
    ? inOrder(Object.fromEntries(Object.entries(value).map(([name, one]) => [name, inOrderThroughout(one)])))
    : value;

/** The changes that take a patch back, given the document that it is about to be applied to. */
export function inverseOf(document: object, patch: readonly Change[], paths: Pick<Paths, "isSparse">): Change[] {
  const inverses: Change[] = [];
  patch.reduce((before, change) => {
    const value = valueAt(before, change.path);
    if (value !== undefined)
      inverses.unshift({ op: change.op === "remove" ? "add" : "replace", path: change.path, value });
    else if (change.op !== "remove") inverses.unshift({ op: "remove", path: change.path });
    return changed(before, change, paths);
  }, document);
  return inverses;
}

/** Changes that make one document of another, as far down as the kind of document has places of their own. */
export const differences = (before: object, after: object, paths: Paths): Change[] =>
  memberChanges({ ...before }, { ...after }, { steps: [], paths });

function memberChanges(
  before: Json,
  after: Json,
  { steps, paths }: { readonly steps: readonly string[]; readonly paths: Paths },
): Change[] {
  return Object.keys({ ...before, ...after }).flatMap((name): Change[] => {
    const at = [...steps, name];
    const nothing = paths.isSparse(at) && !paths.isWhole(at) ? {} : undefined;
    const [was = nothing, is = nothing] = [before[name], after[name]];
    if (same(was, is)) return [];
    if (isObject(was) && isObject(is) && !paths.isWhole(at)) return memberChanges(was, is, { steps: at, paths });
    const path = pointer(...at);
    if (is === undefined) return [{ op: "remove", path }];
    return [{ op: was === undefined ? "add" : "replace", path, value: is }];
  });
}

/** Deep equality of plain JSON: members in any order, those that are undefined left out. */
export function same(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((item, index) => same(item, other[index]));
  if (!isObject(one) || !isObject(other)) return false;
  const [names, others] = [definedNames(one), definedNames(other)];
  return names.length === others.length && names.every((name) => same(one[name], other[name]));
}
const definedNames = (value: Json): string[] => Object.keys(value).filter((name) => value[name] !== undefined);

/** As many as all captions of a promotion need that are replaced by others. */
const MOST_CHANGES = 3200;

const changeSchema = object({
  op: string()
    .oneOf(["add", "replace", "remove"] as const, "A change adds, replaces or removes.")
    .required(),
  path: string().max(400).required(),
  value: mixed().nullable(),
}).noUnknown();
const patchSchema = array(changeSchema.required())
  .min(1, "An edit changes something.")
  .max(MOST_CHANGES, `An edit has at most ${MOST_CHANGES} changes.`)
  .required();

/** Reads changes that came over the wire. What they put in is checked where it stands then. */
export const readPatch = (value: unknown): Change[] =>
  patchSchema.validateSync(value, { strict: true }).map(({ op, path, value: put }): Change => {
    if (op === "remove") return { op, path };
    if (put === undefined) throw new Refusal(`“${path}” is given nothing to ${op}.`);
    return { op, path, value: put };
  });
