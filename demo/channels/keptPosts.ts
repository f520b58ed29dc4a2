import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { array, mixed, object, string } from "yup";
import { type PostWords, readPostWords } from "../../core/post/postWords";

/** A post that a simulated channel has taken. */
export interface KeptPost {
  readonly id: string;
  /** By which the same post that is sent twice is one. */
  readonly key: string;
  readonly channel: string;
  readonly placement: string;
  readonly file: string;
  readonly words: PostWords;
  readonly takenAt: string;
  /** When it can be seen. */
  readonly liveAt: string;
}

const schema = array(
  object({
    id: string().required(),
    key: string().required(),
    channel: string().required(),
    placement: string().required(),
    file: string().required(),
    words: mixed<PostWords>().required(),
    takenAt: string().required(),
    liveAt: string().required(),
  }),
).required();

/** The posts that are kept in a folder. */
export interface KeptPosts {
  all(): readonly KeptPost[];
  byId(id: string): KeptPost | null;
  byKey(key: string): KeptPost | null;
  add(post: KeptPost): void;
  remove(id: string): void;
}

export function keptPosts(folder: string): KeptPosts {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, "posts.json");
  let posts: readonly KeptPost[] = existsSync(path)
    ? schema
        .validateSync(JSON.parse(readFileSync(path, "utf8")))
        .map((post) => ({ ...post, words: readPostWords(post.words) }))
    : [];
  const keep = (next: readonly KeptPost[]): void => {
    posts = next;
    writeFileSync(`${path}.part`, JSON.stringify(posts));
    renameSync(`${path}.part`, path);
  };
  return {
    all: () => posts,
    byId: (id) => posts.find((post) => post.id === id) ?? null,
    byKey: (key) => posts.find((post) => post.key === key) ?? null,
    add: (post) => keep([...posts, post]),
    remove: (id) => keep(posts.filter((post) => post.id !== id)),
  };
}
