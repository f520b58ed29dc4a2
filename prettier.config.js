/** How every file is laid out; `bin/test --only lint` checks it, `npm run format` does it. */
export default {
  printWidth: 120,
  plugins: ["prettier-plugin-tailwindcss"],
  tailwindStylesheet: "./app/app.css",
  tailwindFunctions: ["clsx"],
};
