import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { endedAs, readJestReport, readPlaywrightReport } from "./testReports";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true }));

async function written(report: unknown): Promise<string> {
  const path = join(folder, "report.json");
  await writeFile(path, typeof report === "string" ? report : JSON.stringify(report));
  return path;
}

test("a suite that could not even be loaded counts as failed", async () => {
  const report = {
    numPassedTests: 2,
    numFailedTests: 1,
    numRuntimeErrorTestSuites: 1,
    testResults: [
      {
        assertionResults: [
          { fullName: "one", duration: 120 },
          { fullName: "two", duration: null },
          { fullName: "three", duration: 4 },
        ],
      },
    ],
  };
  expect(await readJestReport(await written(report))).toEqual({
    passed: 2,
    failed: 2,
    tests: [
      { name: "one", ms: 120 },
      { name: "two", ms: 0 },
      { name: "three", ms: 4 },
    ],
  });
});

test("a test that passed only when it was tried again has failed; suites inside suites are counted", async () => {
  const spec = (title: string, ...durations: number[]) => ({
    title,
    tests: [{ results: durations.map((duration) => ({ duration })) }],
  });
  const report = {
    stats: { expected: 2, unexpected: 0, flaky: 1 },
    suites: [
      {
        specs: [spec("outer", 10)],
        suites: [{ specs: [spec("inner", 5, 6)], suites: [{ specs: [spec("deep", 1)] }] }],
      },
    ],
  };
  expect(await readPlaywrightReport(await written(report))).toEqual({
    passed: 2,
    failed: 1,
    tests: [
      { name: "outer", ms: 10 },
      { name: "inner", ms: 11 },
      { name: "deep", ms: 1 },
    ],
  });
});

test("a runner that did not end well has failed, though no test of its own has", () => {
  const report = { passed: 3, failed: 0, tests: [] };
  expect(endedAs(true, report)).toEqual(report);
  expect(endedAs(false, report)).toEqual({ ...report, failed: 1 });
  expect(endedAs(false, { ...report, failed: 2 })).toEqual({ ...report, failed: 2 });
});

test.each(["", "not json", "{}", '{"numPassedTests":"many"}', '{"stats":{"expected":3}}'])(
  "a runner that wrote %j has failed as a whole",
  async (text) => {
    const path = await written(text);
    const failed = { passed: 0, failed: 1, tests: [] };
    expect([await readJestReport(path), await readPlaywrightReport(path)]).toEqual([failed, failed]);
    expect(await readJestReport(join(folder, "none.json"))).toEqual(failed);
  },
);
