import { type Placement } from "../../core/placement/placements";
import { type PostWords } from "../../core/post/postWords";

/** A channel that can be posted to, and the places it has. */
export interface Channel {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  readonly placements: readonly Placement[];
}

/** A post as it is sent. */
export interface NewPost {
  /** The same post that is sent twice is one: this names it. */
  readonly key: string;
  readonly channel: string;
  readonly placement: string;
  readonly words: PostWords;
  /** What `upload` gave. */
  readonly file: string;
}

/** How often a post was seen on a day. */
export interface DayOfViews {
  /** `YYYY-MM-DD`, in UTC. */
  readonly day: string;
  readonly views: number;
}

/** How channels are posted to. There is one kind of it, for the simulated ones; a real channel is another implementation. */
export interface ChannelConnection {
  channels(): Promise<readonly Channel[]>;
  /**
   * Sends a file. What was sent of it before is gone on with.
   *
   * @param begun where it was begun to be sent, as `onBegun` was told; null for a new one
   */
  upload(path: string, begun: string | null, onBegun: (address: string) => Promise<void>): Promise<string>;
  /** Makes a post. Gives what the channel calls it. */
  post(post: NewPost): Promise<string>;
  /** When a post could be seen; null while the channel works on it. */
  liveAt(id: string): Promise<Date | null>;
  remove(id: string): Promise<void>;
  views(id: string): Promise<readonly DayOfViews[]>;
  /** Where people see a post. */
  pageOf(id: string): string;
}

/** A channel did not answer, or was busy: it may next time. */
export class ChannelAway extends Error {
  override readonly name = "ChannelAway";
  constructor(
    message: string,
    /** How long it asks to be left alone, in milliseconds. */
    readonly afterMs = 0,
  ) {
    super(message);
  }
}

/** A channel does not take a post, and says why. */
export class PostRefused extends Error {
  override readonly name = "PostRefused";
}
