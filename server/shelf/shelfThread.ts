import { type ShelfSize, makeShelfFile } from "./makeShelfFile";
import { type ShelfRecipe } from "./shelfItems";

export interface ShelfTask {
  readonly recipe: ShelfRecipe;
  readonly size: ShelfSize;
  readonly path: string;
}

/** Makes a file of the shelf in a thread, so that the web server goes on answering. */
export default ({ recipe, size, path }: ShelfTask): Promise<void> => makeShelfFile(recipe, size, path);
