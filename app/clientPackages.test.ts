import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { CLIENT_PACKAGES } from "./clientPackages";

/** Bundled apart, since it waits for its WebAssembly at the top level of its module. */
const APART = ["harfbuzzjs"];
/** Read by the build, never by a page. */
const OF_THE_BUILD = ["@react-router/dev/routes"];

/** What sends pages; no page reads it. */
const SERVER_ENTRY = join("app", "entry.server.tsx");

/** Every package that pages and workers take values from, however deep. */
function packagesOf(folder: string): string[] {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !entry.name.includes(".test."))
    .map((entry) => join(entry.parentPath, entry.name))
    .filter((path) => !path.includes("testing") && path !== SERVER_ENTRY);
  return files.flatMap((path) =>
    [...readFileSync(path, "utf8").matchAll(/^(?:import|export) (?!type )[^;]*? from "([^."][^"]*)";$/gm)].flatMap(
      ([, name]) => (name === undefined || name.startsWith("node:") ? [] : [name]),
    ),
  );
}

test("the development server knows every package that pages use", () => {
  const used = new Set(["app", "core", "paint"].flatMap(packagesOf));
  expect(used.size).toBeGreaterThan(20);
  const known = new Set([...CLIENT_PACKAGES, ...APART, ...OF_THE_BUILD]);
  expect([...used].filter((name) => !known.has(name))).toEqual([]);
});
