/** Big samples are tested in part each time, with another seed; `bin/test --full` tests five times as much. */
export const SEED = Number(process.env["TEST_SEED"] ?? 1);
export const RUNS = process.env["TEST_FULL"] === "yes" ? 5 : 1;
