import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { CLIENT_PACKAGES } from "./app/clientPackages";
import { reactCompiler } from "./reactCompiler";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter(), reactCompiler(/\/app\/.*\.tsx?(\?|$)/)],
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
