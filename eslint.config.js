import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  {
    ignores: [
      "server/threads/bootstrap.mjs",
      "**/*.as.ts",
      "node_modules",
      "build",
      ".react-router",
      ".data",
      ".scratch",
      "test-results",
      ".dependency-cruiser.cjs",
    ],
  },
  {
    files: ["**/*.ts", "**/*.tsx"],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { project: "./tsconfig.json", tsconfigRootDir: import.meta.dirname } },
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/no-non-null-assertion": "error",
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "no-console": "error",
      // Said here, because the native linter passes over names that begin with an underscore otherwise.
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^$", varsIgnorePattern: "^$" }],
      "@typescript-eslint/no-invalid-void-type": "off",
      // A number in a template reads as it is meant; everything else is asked to be turned into words first.
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      // `onClick={() => setOpen(true)}` is how React code is written: its value goes nowhere.
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
      // React Router takes thrown responses and data() as answers.
      "@typescript-eslint/only-throw-error": [
        "error",
        {
          allow: [
            { from: "lib", name: "Response" },
            { from: "package", package: "react-router", name: "DataWithResponseInit" },
          ],
        },
      ],
    },
  },
  { files: ["app/**/*.ts", "app/**/*.tsx"], extends: [reactHooks.configs.flat.recommended] },
  {
    files: ["core/**/*.ts", "paint/**/*.ts"],
    rules: {
      "no-restricted-globals": ["error", "window", "document", "process", "fetch", "performance", "setTimeout"],
      "no-restricted-properties": [
        "error",
        { object: "Date", property: "now", message: "core has no clock: pass the time in." },
        { object: "Math", property: "random", message: "core has no randomness: pass a seed in." },
        // Whatever it is called on.
        ...["fillText", "strokeText", "measureText"].map((property) => ({
          property,
          message: "Words are painted as outlines, so that the proof equals the render.",
        })),
      ],
    },
  },
  {
    files: ["core/**/*.test.ts", "paint/**/*.test.ts"],
    rules: { "no-restricted-globals": "off", "no-restricted-properties": "off" },
  },
  { files: ["bin/**", "server/cli/**", "bench/**"], rules: { "no-console": "off" } },
  { files: ["**/*.test.ts", "e2e/**"], rules: { "@typescript-eslint/no-non-null-assertion": "off" } },
);
