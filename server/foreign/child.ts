import { Refusal } from "../../core/refusal";
import { drawSvg } from "./drawSvg";
import { openFont } from "./openFont";
import { unpackPackage } from "./unpackPackage";

/** What is done to files that come from outside, in a process of its own that may be ended at any time. */
export interface ForeignTasks {
  readonly drawSvg: typeof drawSvg;
  readonly openFont: typeof openFont;
  readonly unpackPackage: typeof unpackPackage;
}

/** A task, as it is told to the child. */
export type Told = {
  [Name in keyof ForeignTasks]: { readonly task: Name; readonly input: Parameters<ForeignTasks[Name]>[0] };
}[keyof ForeignTasks];

function run(told: Told): Promise<unknown> {
  switch (told.task) {
    case "drawSvg":
      return drawSvg(told.input);
    case "openFont":
      return openFont(told.input);
    case "unpackPackage":
      return unpackPackage(told.input);
  }
}

/** What came of it: a value, why the file is refused, or what broke. */
export type Answered = { readonly value: unknown } | { readonly refused: string } | { readonly broke: string };

process.title = "stencilcraft-reader";
process.on("message", (told: Told) => {
  const say = (answer: Answered): void => void process.send?.(answer);
  run(told).then(
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
