import tseslint from "typescript-eslint";

export default tseslint.config(
  {
    ignores: [
      "server/threads/bootstrap.mjs",
      "node_modules",
      "build",
      ".react-router",
      ".data",
      ".scratch",
      "test-results",
      ".dependency-cruiser.cjs",
    ],
  },
  ...tseslint.configs.strict,
  {
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/no-non-null-assertion": "error",
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "no-console": "error",
      "@typescript-eslint/no-invalid-void-type": "off",
    },
  },
  {
    files: ["core/**/*.ts", "paint/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-globals": ["error", "window", "document", "process", "fetch", "performance", "setTimeout"],
      "no-restricted-properties": [
        "error",
        { object: "Date", property: "now", message: "core has no clock: pass the time in." },
        { object: "Math", property: "random", message: "core has no randomness: pass a seed in." },
      ],
      "no-restricted-syntax": [
        "error",
        {
          selector: "CallExpression[callee.property.name=/^(fillText|strokeText|measureText)$/]",
          message: "Words are painted as outlines, so that the proof equals the render.",
        },
      ],
    },
  },
  { files: ["bin/**", "server/cli/**", "bench/**"], rules: { "no-console": "off" } },
  { files: ["**/*.test.ts", "e2e/**"], rules: { "@typescript-eslint/no-non-null-assertion": "off" } },
);
