import { readFile } from "node:fs/promises";
import { type InferType, type Schema, array, lazy, number, object, string } from "yup";

/** What a run of tests came to. */
export interface Report {
  passed: number;
  failed: number;
  readonly tests: { readonly name: string; readonly ms: number }[];
}

/** A runner that wrote nothing, or nothing that can be read, has failed as a whole. */
const NOTHING: Report = { passed: 0, failed: 1, tests: [] };

/** A runner that did not end well has failed, whatever it wrote of its tests: where files can't be loaded, there are none. */
export const endedAs = (endedWell: boolean, report: Report): Report =>
  endedWell || report.failed > 0 ? report : { ...report, failed: 1 };

const jest = object({
  numPassedTests: number().required(),
  numFailedTests: number().required(),
  numRuntimeErrorTestSuites: number().required(),
  testResults: array(
    object({
      assertionResults: array(
        object({ fullName: string().required(), duration: number().nullable().default(0) }).required(),
      ).required(),
    }).required(),
  ).required(),
});

/** What Jest wrote with `--json`. */
export async function readJestReport(path: string): Promise<Report> {
  const read = await readReport(path, jest);
  if (!read) return NOTHING;
  const tests = read.testResults.flatMap(({ assertionResults }) => assertionResults);
  return {
    passed: read.numPassedTests,
    failed: read.numFailedTests + read.numRuntimeErrorTestSuites,
    tests: tests.map(({ fullName, duration }) => ({ name: fullName, ms: duration ?? 0 })),
  };
}

const spec = object({
  title: string().required(),
  tests: array(
    object({ results: array(object({ duration: number().required() }).required()).required() }).required(),
  ).required(),
}).required();
type Spec = InferType<typeof spec>;
interface Suite {
  readonly specs: readonly Spec[];
  readonly suites?: readonly Suite[];
}
/** Suites hold suites; each is checked when it is reached. */
const suite: Schema<Suite> = object({
  specs: array(spec).required(),
  suites: array(lazy((): Schema<Suite> => suite)),
});

const playwright = object({
  stats: object({
    expected: number().required(),
    unexpected: number().required(),
    flaky: number().required(),
  }).required(),
  suites: array(suite).required(),
});

/** What Playwright wrote with its JSON reporter. A test that passed only when it was tried again has failed. */
export async function readPlaywrightReport(path: string): Promise<Report> {
  const read = await readReport(path, playwright);
  if (!read) return NOTHING;
  const { expected, unexpected, flaky } = read.stats;
  const specsOf = ({ specs, suites = [] }: Suite): Spec[] => [...specs, ...suites.flatMap(specsOf)];
  return {
    passed: expected,
    failed: unexpected + flaky,
    tests: read.suites.flatMap(specsOf).map(({ title, tests }) => ({
      name: title,
      ms: tests.flatMap(({ results }) => results).reduce((sum, { duration }) => sum + duration, 0),
    })),
  };
}

async function readReport<Read>(path: string, schema: Schema<Read>): Promise<Read | null> {
  try {
    const written: unknown = JSON.parse(await readFile(path, "utf8"));
    return schema.validateSync(written);
  } catch {
    return null;
  }
}
