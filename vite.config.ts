import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  // harfbuzzjs waits for its WebAssembly at the top level of its module.
  build: { target: "es2022" },
  optimizeDeps: { exclude: ["harfbuzzjs"] },
  worker: { format: "es" },
});
