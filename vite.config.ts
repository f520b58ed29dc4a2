import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import babel from "vite-plugin-babel";
import { CLIENT_PACKAGES } from "./app/clientPackages";

export default defineConfig({
  plugins: [
    tailwindcss(),
    reactRouter(),
    // Components keep what did not change: a key typed on a desk renders anew what it changes, not the whole desk.
    // On the server nothing is rendered twice.
    {
      ...babel({
        include: ["app/**/*.ts", "app/**/*.tsx"],
        babelConfig: { presets: ["@babel/preset-typescript"], plugins: ["babel-plugin-react-compiler"] },
      }),
      applyToEnvironment: ({ name }) => name === "client",
    },
  ],
  // harfbuzzjs waits for its WebAssembly at the top level of its module.
  build: { target: "es2022" },
  optimizeDeps: {
    exclude: ["harfbuzzjs"],
    // Named, not looked for: what is looked for is found in server code as well, which can't be bundled for a browser.
    noDiscovery: true,
    include: [...CLIENT_PACKAGES],
  },
  worker: { format: "es" },
});
