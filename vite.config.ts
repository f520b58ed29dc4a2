import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import babel from "vite-plugin-babel";

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
  optimizeDeps: { exclude: ["harfbuzzjs"] },
  worker: { format: "es" },
});
