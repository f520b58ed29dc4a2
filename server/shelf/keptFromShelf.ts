import { type TeamScope } from "../db/teamScope";
import { type ReceivedMedia } from "../media/receive";
import { keepFromShelf } from "./shelfFiles";
import { type ShelfItem } from "./shelfItems";

const MOST_TAGS = 5;

/** Brings an item of the shelf into a team's media, found by what it is found by there. */
export const keptFromShelf = (scope: TeamScope, { recipe, name, category, words }: ShelfItem): Promise<ReceivedMedia> =>
  keepFromShelf(scope, recipe, name, "starter shelf", [category, ...words].slice(0, MOST_TAGS));
