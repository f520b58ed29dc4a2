import { transform } from "oxc-transform-react";
import { type Plugin } from "vite";

/**
 * Components keep what did not change: a key typed on a desk renders anew what it changes, not the whole desk. On the
 * server nothing is rendered twice, so the client's environment alone has it.
 */
export function reactCompiler(include: RegExp): Plugin {
  return {
    name: "react-compiler",
    enforce: "pre",
    applyToEnvironment: ({ name }) => name === "client",
    transform: {
      filter: { id: include },
      async handler(code, id) {
        const path = id.split("?")[0] ?? id;
        const sourcemap = this.environment.config.command !== "build";
        const made = await transform(path, code, { jsx: "preserve", reactCompiler: true, sourcemap });
        if (made.fatal)
          this.error(made.errors.map(({ message, codeframe }) => `${message}\n${codeframe ?? ""}`).join("\n"));
        return { code: made.code, map: made.map ?? null };
      },
    },
  };
}
