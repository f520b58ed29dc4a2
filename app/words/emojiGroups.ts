import { array, object, string } from "yup";

/** An emoji and what it is called. */
export interface NamedEmoji {
  readonly emoji: string;
  readonly name: string;
}
export interface EmojiGroup {
  readonly name: string;
  readonly emojis: readonly NamedEmoji[];
}

/** The newest Emoji version that there are drawings for. */
const DRAWN_TO = 15;

const groups = array(
  object({
    name: string().required(),
    emojis: array(
      object({ emoji: string().required(), name: string().required(), emoji_version: string().required() }),
    ).required(),
  }),
).required();

/** All emoji that can be painted, by Unicode's own groups. Fetched when they are first asked for. */
export async function emojiGroups(): Promise<EmojiGroup[]> {
  const { default: all } = await import("unicode-emoji-json/data-by-group.json");
  return groups.validateSync(all).map(({ name, emojis }) => ({
    name,
    emojis: emojis.filter(({ emoji_version }) => Number(emoji_version) <= DRAWN_TO),
  }));
}
