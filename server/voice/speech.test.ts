import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import { USUAL_SPEAKING } from "../../core/voice/voices";
import { MOST_SPOKEN_LETTERS } from "../../core/voice/sentences";
import { ingestMedia } from "../media/ingest";
import { type TestTeam, testTeam } from "../testing/team";
import { speak, speakSentence } from "./speech";

let folder: string;
let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(async () => {
  await team.close();
  await rm(folder, { recursive: true });
});

/** The loudest sample, in dBFS, as ffmpeg's `volumedetect` has it. */
async function loudest(path: string): Promise<number> {
  const { stderr } = await execa("ffmpeg", ["-i", path, "-af", "volumedetect", "-f", "null", "-"]);
  return Number(/max_volume: (-?[\d.]+) dB/.exec(stderr)?.[1]);
}

test.each([
  ["numbers, prices and dates", "Only £4.50 until 3 May 2027, or 2 for £8."],
  ["apostrophes and quotes", `It's "half price", isn't it?`],
  ["what a shell would run", "$(touch /tmp/never) `id`; rm -rf / && echo done | cat > x"],
  ["what looks like an option", "--help -w other.wav"],
  ["what looks like markup", "<speak><audio src='file:///etc/passwd'/></speak> & more"],
  ["from right to left", "مرحبا بكم في الحديقة"],
  ["2000 characters", "Fresh herbs for the window sill. ".repeat(61).slice(0, 2000)],
])("%s: spoken, and nothing else happens", async (_, words) => {
  const path = join(folder, "spoken.wav");
  const length = await speakSentence(words, USUAL_SPEAKING, path);
  expect(length).toBeGreaterThan(500);
  expect(await loudest(path)).toBeGreaterThan(-20);
});

test("more words a minute are shorter, a higher pitch is heard in its tone", async () => {
  const words = "Come and see what is new in the yard on Friday.";
  const said = async (name: string, change: Partial<typeof USUAL_SPEAKING>): Promise<number> =>
    speakSentence(words, { ...USUAL_SPEAKING, ...change }, join(folder, name));
  const [slow, fast] = [await said("slow.wav", { pace: 100 }), await said("fast.wav", { pace: 250 })];
  expect(fast).toBeLessThan(slow * 0.6);
  /** How often the voice's own tone crosses nought: what lies above it is taken away, and the pauses. */
  const crossings = async (name: string): Promise<number> => {
    const lowest = Array.from({ length: 3 }, () => "lowpass=f=200").join(",");
    const voiced = "silenceremove=stop_periods=-1:stop_duration=0.05:stop_threshold=-45dB";
    const measured = `${lowest},${voiced},astats=measure_perchannel=Zero_crossings_rate:measure_overall=none`;
    const { stderr } = await execa("ffmpeg", ["-i", join(folder, name), "-af", measured, "-f", "null", "-"]);
    return Number(/Zero crossings rate: ([\d.]+)/.exec(stderr)?.[1]);
  };
  await said("low.wav", { pitch: 10 });
  await said("high.wav", { pitch: 90 });
  expect(await crossings("high.wav")).toBeGreaterThan((await crossings("low.wav")) * 1.15);
});

test("a script is spoken sentence by sentence, each an item with its words and rights; said again it is the same item", async () => {
  const reading = setInterval(() => void readInWaiting(), 50);
  try {
    const script = "Come on Friday. It is half the price.\nBring a friend!";
    const first = await speak(team.scope, script, USUAL_SPEAKING);
    expect(first.map(({ says }) => says)).toEqual(["Come on Friday.", "It is half the price.", "Bring a friend!"]);
    const rows = await team.scope
      .media()
      .selectAll()
      .where(
        "id",
        "in",
        first.map(({ media }) => media),
      )
      .execute();
    expect(rows).toHaveLength(3);
    for (const row of rows) {
      const said = first.find(({ media }) => media === row.id);
      expect([row.kind, row.state, row.name]).toEqual(["sound", "ready", `${said?.says ?? ""}.wav`]);
      expect(row.licence).toContain("free to use");
      expect(row.facts).toMatchObject({ length: expect.any(Number) as number });
    }
    expect(await speak(team.scope, script, USUAL_SPEAKING)).toEqual(first);
  } finally {
    clearInterval(reading);
  }
});

/** What a worker does beside. */
async function readInWaiting(): Promise<void> {
  const waiting = await team.scope.media().select("id").where("state", "=", "waiting").execute();
  for (const { id } of waiting) await ingestMedia(team.scope.connection, id);
}

test.each([
  ["nothing", " … ", /nothing to say/],
  ["too much", "Word. ".repeat(MOST_SPOKEN_LETTERS), /at most 5000 are spoken at once/],
  ["a sentence without an end", "word ".repeat(500), /is longer than 2000 characters/],
])("%s is refused, with words", async (_, script, words) => {
  await expect(speak(team.scope, script, USUAL_SPEAKING)).rejects.toThrow(words);
});
