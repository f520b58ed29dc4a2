/** Unit tests lie beside what they test. ESM because harfbuzzjs is ESM with a top-level await. */
export default {
  testEnvironment: "<rootDir>/jest.environment.js",
  roots: ["<rootDir>/core", "<rootDir>/paint", "<rootDir>/server", "<rootDir>/app", "<rootDir>/demo"],
  testMatch: ["**/*.test.ts", "**/*.test.tsx"],
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transform: {
    "^.+\\.tsx?$": [
      "@swc/jest",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
          target: "es2022",
        },
        module: { type: "es6" },
      },
    ],
  },
  transformIgnorePatterns: ["/node_modules/"],
  maxWorkers: 2,
  // A test that hangs is told by it; one whose encoders wait for a busy machine is not.
  testTimeout: 90000,
};
