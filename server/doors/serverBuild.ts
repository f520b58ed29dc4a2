import { type ServerBuild } from "react-router";

/** The pages and routes of the application, as they were built. Throws where a module is something else. */
export function serverBuild(module: unknown): ServerBuild {
  if (!isServerBuild(module)) throw new TypeError("This is no build of the application. Build it anew.");
  return module;
}

const isServerBuild = (module: unknown): module is ServerBuild =>
  typeof module === "object" && module !== null && ["entry", "routes", "assets"].every((part) => part in module);
