import { makeFile } from "./makeFile";

/** Makes a file of the demo world in a thread. */
export default ({ name, folder }: { readonly name: string; readonly folder: string }): Promise<void> =>
  makeFile(name, folder);
