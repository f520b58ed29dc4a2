import { Refusal } from "../../core/refusal";
import { drawSvg } from "./drawSvg";
import { openFont } from "./openFont";
import { unpackPackage } from "./unpackPackage";

/** What is done to files that come from outside, in a process of its own that may be ended at any time. */
const TASKS = { drawSvg, openFont, unpackPackage } as const;
export type ForeignTasks = typeof TASKS;

/** A task, as it is told to the child. */
export interface Told<Name extends keyof ForeignTasks = keyof ForeignTasks> {
  readonly task: Name;
  readonly input: Parameters<ForeignTasks[Name]>[0];
}
/** What came of it: a value, why the file is refused, or what broke. */
export type Answered = { readonly value: unknown } | { readonly refused: string } | { readonly broke: string };

process.title = "stencilcraft-reader";
process.on("message", (told: Told) => {
  // What is told belongs together (`Told`): the task takes its own input.
  const run = TASKS[told.task] as (input: unknown) => Promise<unknown>;
  const say = (answer: Answered): void => void process.send?.(answer);
  run(told.input).then(
    (value) => say({ value }),
    (error: unknown) =>
      say(
        error instanceof Refusal
          ? { refused: error.message }
          : { broke: error instanceof Error ? (error.stack ?? error.message) : String(error) },
      ),
  );
});
// Its parent is gone.
process.on("disconnect", () => process.exit(0));
