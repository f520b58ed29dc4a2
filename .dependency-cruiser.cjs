/** The arrows between the rooms: app → server → paint → core, app → paint → core. Nothing points back. */
module.exports = {
  forbidden: [
    {
      name: "core-is-alone",
      severity: "error",
      from: { path: "^core/" },
      to: { path: "^(paint|server|app|demo|bench|e2e)/" },
    },
    {
      name: "core-is-pure",
      comment: "core runs in the browser, a worker and Node: no Node API, no DOM library, no I/O. Tests may use Node.",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$|^core/testing/" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-and-paint-know-no-platform",
      comment: "Tests may paint on a real canvas.",
      severity: "error",
      from: { path: "^(core|paint)/", pathNot: "\\.test\\.ts$" },
      to: { path: "node_modules/(react|react-dom|react-router|kysely|pg|sharp|@napi-rs)/" },
    },
    {
      name: "paint-knows-core-only",
      severity: "error",
      from: { path: "^paint/", pathNot: "\\.test\\.ts$" },
      to: { path: "^(server|app|demo|bench|e2e)/" },
    },
    { name: "server-knows-no-app", severity: "error", from: { path: "^server/" }, to: { path: "^(app|bench|e2e)/" } },
    {
      name: "demo-is-reached-only-by-start",
      severity: "error",
      from: { path: "^(core|paint|app)/" },
      to: { path: "^demo/" },
    },
    {
      name: "no-cycles",
      severity: "error",
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.react-router" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "default", "types"] },
  },
};
