import { ValidationError, type Schema } from "yup";
import { inOrder } from "./patch";
import { Refusal } from "../refusal";

/** A record of a document: how many members it has, and how one is read. */
export interface RecordPart {
  readonly least: number;
  readonly most: number;
  /** What a member is, in a sentence that says the limit. */
  readonly named: string;
  /** Reads a member by its name, with what is in it in the order of names. Throws where it is none. */
  readonly read: (key: string, value: unknown) => unknown;
}

/** What a kind of document is made of: records of members by name, and what stands by itself. */
export interface DocumentShape {
  /** What it is, with its article: “A promotion”. */
  readonly named: string;
  /** Its version is among them, and is never changed by an edit. */
  readonly single: ReadonlyMap<string, Schema<unknown>>;
  readonly records: ReadonlyMap<string, RecordPart>;
}

const asObject = (value: unknown): Readonly<Record<string, unknown>> | null =>
  typeof value === "object" && value !== null && !Array.isArray(value) ? { ...value } : null;

const capitalised = (word: string): string => `${word[0]?.toUpperCase() ?? ""}${word.slice(1)}`;

/** Problems with the path of where they are, for those that know only where they are in a part. */
function within(steps: readonly string[], check: () => unknown): ValidationError[] {
  const at = steps.join(".");
  try {
    check();
    return [];
  } catch (error) {
    if (error instanceof ValidationError) {
      const inner = error.inner.length > 0 ? error.inner : [error];
      return inner.map(
        ({ message, value, path }) =>
          new ValidationError(message, value, path !== undefined && path !== "" ? joined(at, path) : at),
      );
    }
    if (error instanceof Refusal) return [new ValidationError(error.message, undefined, at)];
    throw error;
  }
}
const joined = (at: string, path: string): string => (path.startsWith("[") ? `${at}${path}` : `${at}.${path}`);

const STRICT = { strict: true, abortEarly: false } as const;

/** Reads a record: its bounds, and its members: all, or those that are named. Problems are added to those found so far. */
function readRecord(
  { named: whole }: Pick<DocumentShape, "named">,
  part: string,
  { record, value, only }: { readonly record: RecordPart; readonly value: unknown; readonly only?: readonly string[] },
): { readonly members: Readonly<Record<string, unknown>>; readonly problems: readonly ValidationError[] } {
  const { least, most, named, read } = record;
  const members = asObject(value);
  const problem = (message: string) => ({ members: {}, problems: [new ValidationError(message, value, part)] });
  if (!members) return problem(`${capitalised(named)}s must be given by name.`);
  const count = Object.keys(members).length;
  if (count < least) return problem(`${whole} needs at least one ${named}.`);
  if (count > most) return problem(`${whole} has at most ${most} ${named}s.`);
  const names = only?.filter((name) => Object.hasOwn(members, name)) ?? Object.keys(members);
  const found: Record<string, unknown> = {};
  const problems = names.flatMap((name) =>
    within([part, name], () => {
      found[name] = read(name, members[name]);
    }),
  );
  return { members: found, problems };
}

function throwAny(problems: readonly ValidationError[]): void {
  const [first] = problems;
  if (first) throw problems.length === 1 ? first : new ValidationError([...problems]);
}

/**
 * Checks a whole document and gives it with its records in the order of their names. Throws Yup's ValidationError with
 * every problem and the path of its field.
 */
export function readDocument(shape: DocumentShape, value: unknown): unknown {
  const parts = asObject(value);
  if (!parts) throw new ValidationError(`${shape.named} is an object.`, value, "");
  const version = shape.single.get("version");
  // What another version is made of is not known here.
  if (version) throwAny(within(["version"], () => version.validateSync(parts["version"], STRICT)));
  const unknown = Object.keys(parts).filter((part) => !shape.single.has(part) && !shape.records.has(part));
  const records = [...shape.records].map(
    ([part, record]) => [part, readRecord(shape, part, { record, value: parts[part] })] as const,
  );
  throwAny([
    ...unknown.map((part) => new ValidationError(`${shape.named} has no “${part}”.`, parts[part], "")),
    ...[...shape.single].flatMap(([part, schema]) => within([part], () => schema.validateSync(parts[part], STRICT))),
    ...records.flatMap(([, { problems }]) => problems),
  ]);
  return Object.fromEntries([
    ...[...shape.single.keys()].map((part) => [part, parts[part]]),
    ...records.map(([part, { members }]) => [part, inOrder(members)]),
  ]);
}

/** Checks what changes at some paths have made of a document: only what they touched. Throws the first problem. */
export function checkTouched(shape: DocumentShape, document: object, touched: readonly (readonly string[])[]): void {
  const parts: Readonly<Record<string, unknown>> = { ...document };
  for (const [part = "", key] of touched) {
    const [single, record] = [shape.single.get(part), shape.records.get(part)];
    if (single && part !== "version")
      throwAny(within([part], () => single.validateSync(parts[part], STRICT)).slice(0, 1));
    else if (record && key !== undefined)
      throwAny(readRecord(shape, part, { record, value: parts[part], only: [key] }).problems.slice(0, 1));
    else throw new Refusal(`“/${part}” can't be changed as a whole.`);
  }
}
