import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  appDirectory: "app",
  buildDirectory: "build/pages",
  // All routes in one file that browsers keep: written into each page, and asked for by each link, they cost the server more.
  routeDiscovery: { mode: "initial" },
  future: { v8_middleware: true },
} satisfies Config;
