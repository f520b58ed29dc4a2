import { once } from "node:events";
import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { type Server, createServer } from "node:http";
import { type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { NO_WORDS, type PostWords } from "../../core/post/postWords";
import { partOf } from "../../core/testing/sample";
import { ChannelAway, PostRefused } from "../../server/channels/connection";
import { httpConnection } from "../../server/channels/httpConnection";
import { runProgram } from "../../server/media/program";
import { channelService } from "./channelService";
import { madeUpViews } from "./madeUpViews";

const TOKEN = "a token of a test";
let folder: string;
let server: Server;
let address: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  server = createServer(channelService({ folder, token: TOKEN })).listen(0, "127.0.0.1");
  await once(server, "listening");
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await rm(folder, { recursive: true });
});

const connection = (token = TOKEN) => httpConnection(address, token);
const simulate = async (how: Readonly<Record<string, number>>): Promise<void> => {
  const headers = { authorization: `Bearer ${TOKEN}`, "content-type": "application/json" };
  await fetch(`${address}/v1/simulate`, { method: "POST", headers, body: JSON.stringify(how) });
};

interface Film {
  readonly size?: string;
  readonly seconds?: number;
  readonly rate?: number;
  readonly codec?: readonly string[];
  readonly sound?: boolean;
  readonly ending?: string;
}
const films = new Map<string, Promise<string>>();
/** A film of one colour, made by ffmpeg when it is first asked for. */
function film(how: Film = {}): Promise<string> {
  const asked = JSON.stringify(how);
  const path = films.get(asked) ?? makeFilm(`film-${films.size}`, how);
  films.set(asked, path);
  return path;
}
async function makeFilm(
  name: string,
  { size = "608x1080", seconds = 4, rate = 30, codec, sound = true, ending = "mp4" }: Film,
): Promise<string> {
  const path = join(folder, `${name}.${ending}`);
  const picture = ["-f", "lavfi", "-i", `color=teal:size=${size}:rate=${rate}:duration=${seconds}`];
  const heard = sound ? ["-f", "lavfi", "-i", `sine=duration=${seconds}`] : [];
  const encoded = codec ?? ["-c:v", "libx264", "-preset", "ultrafast", "-pix_fmt", "yuv420p"];
  await runProgram("ffmpeg", ["-v", "error", "-y", ...picture, ...heard, ...encoded, path], { timeLimitMs: 60_000 });
  return path;
}
const nothing = () => Promise.resolve();
let posts = 0;
async function post(path: string, change: { channel?: string; placement?: string; words?: Partial<PostWords> } = {}) {
  const file = await connection().upload(path, null, nothing);
  const { channel = "tallview", placement = "vertical-short", words } = change;
  return connection().post({ key: `key ${++posts}`, channel, placement, words: { ...NO_WORDS, ...words }, file });
}

test("a post is taken, worked on, then seen in its furniture, with its words escaped", async () => {
  await simulate({ processingMs: 300 });
  const id = await post(await film(), { words: { title: "Pots <b>now</b>", tags: ["pots"] } });
  expect(await connection().liveAt(id)).toBeNull();
  expect((await fetch(connection().pageOf(id))).status).toBe(404);
  await simulate({ processingMs: 0 });
  const path = await film();
  const quick = await post(path, { words: { title: "Pots <b>now</b>" } });
  expect(await connection().liveAt(quick)).toBeInstanceOf(Date);
  const page = await (await fetch(connection().pageOf(quick))).text();
  expect(page).toContain("Pots &lt;b&gt;now&lt;/b&gt;");
  expect(page).toContain("buttons");
  const sent = await fetch(`${address}/posts/${quick}/file`);
  expect(Buffer.from(await sent.arrayBuffer()).equals(await readFile(path))).toBe(true);
  expect((await connection().views(quick))[0]?.views).toBeGreaterThan(0);
});

test("the same post sent twice is one", async () => {
  const file = await connection().upload(await film(), null, nothing);
  const send = () =>
    connection().post({ key: "the same", channel: "tallview", placement: "vertical-short", words: NO_WORDS, file });
  const [one, other] = await Promise.all([send(), send()]);
  expect(one).toBe(other);
  expect(await send()).toBe(one);
});

test("a file whose sending was cut is gone on with", async () => {
  const path = await film();
  let begun = "";
  await connection().upload(path, null, async (to) => {
    begun = to;
    await Promise.resolve();
  });
  // The same again is there already: nothing is sent anew.
  expect(await connection().upload(path, begun, nothing)).toBe(new URL(begun, address).pathname.split("/").at(-1));
});

const LONG = "w".repeat(1200);
const REFUSED = [
  ["another shape", { size: "1080x1080" }, {}, /1080 × 1080 is not vertical/],
  ["too small a picture", { size: "270x480" }, {}, /too small/],
  ["too long a film", { size: "480x854", seconds: 61, rate: 24 }, {}, /61\.0 s, and Vertical short takes 60 s/],
  ["too short a film", { seconds: 0.5 }, {}, /takes no less than 1 s/],
  ["another encoding", { codec: ["-c:v", "mpeg4"] }, {}, /mpeg4, and Vertical short takes/],
  ["another rate", { rate: 12 }, {}, /12\.00 frames a second/],
  ["no sound track", { sound: false }, {}, /no sound track/],
  ["too long a title", {}, { words: { title: "t".repeat(101) } }, /title: 101/],
  ["too long a text", {}, { words: { body: LONG } }, /text: 1200/],
  ["too many tags", {}, { words: { tags: Array.from({ length: 16 }, (_, at) => `t${at}`) } }, /tags: 16/],
  ["a link where none is taken", {}, { words: { link: "https://example.com" } }, /takes no link/],
  ["a place that there is not", {}, { placement: "nowhere" }, /There is no nowhere on tallview/],
  [
    "a film for a still",
    {},
    { channel: "plaza", placement: "story-still", words: { alt: "Pots" } },
    /h264, and Story still/,
  ],
] as const;
test.each(partOf(REFUSED, 6))("%s is refused in words", async (_, made, change, said) => {
  const path = await film(made);
  const answer = await post(path, change as Parameters<typeof post>[1]).catch((error: unknown) => error);
  expect(answer).toBeInstanceOf(PostRefused);
  expect(String(answer)).toMatch(said);
});

test("a file that is none, one too many bytes, and one that was never sent, are refused in words", async () => {
  const path = join(folder, "broken.mp4");
  await writeFile(path, "no film at all");
  await expect(post(path)).rejects.toThrow(/can’t be read/);
  const noise = ["-vf", "noise=alls=100:allf=t", "-c:v", "libx264", "-preset", "ultrafast", "-crf", "1"];
  const card = await film({ size: "1080x1080", codec: noise, seconds: 3 });
  await expect(post(card, { channel: "plaza", placement: "square-card" })).rejects.toThrow(/bytes, and Square card/);
  const never = {
    key: "never",
    channel: "tallview",
    placement: "vertical-short",
    words: NO_WORDS,
    file: "never-sent-1",
  };
  await expect(connection().post(never)).rejects.toThrow(/was not sent/);
});

test("whoever has no token is refused; a channel that is out of order, or busy, says when to come again", async () => {
  await expect(connection("another token").channels()).rejects.toThrow(/token/);
  await simulate({ failing: 1, throttling: 1 });
  await expect(connection().channels()).rejects.toThrow(ChannelAway);
  await expect(connection().channels()).rejects.toMatchObject({ afterMs: 1000 });
  expect((await connection().channels()).map(({ id }) => id)).toEqual(["plaza", "tallview", "lantern"]);
});

test("views are made up, the same each time, and become fewer", () => {
  const live = new Date("2026-11-02T10:00:00Z");
  const seen = madeUpViews("a post", live, new Date("2026-11-30T10:00:00Z"));
  expect(seen).toEqual(madeUpViews("a post", live, new Date("2026-11-30T10:00:00Z")));
  expect(seen).toHaveLength(29);
  const sum = (days: typeof seen): number => days.reduce((all, { views }) => all + views, 0);
  expect(sum(seen.slice(0, 7))).toBeGreaterThan(sum(seen.slice(7, 14)));
});
