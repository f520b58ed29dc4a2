import { parseArgs } from "node:util";

const USAGE = `bin/bench render   whole render time ÷ time ffmpeg alone needs for the same frames, a filter graph beside it, memory by length
bin/bench rerender what is painted ÷ all, and the time, after other words in a scene, another level, and nothing
bin/bench proof    frames a second of the playing trio, and keystroke to repainted proofs, in headless Chromium
bin/bench typing   keystroke to repainted proofs alone
bin/bench wall     the Proof desk’s wall of 24 scenes in five formats: first cell and all of them
bin/bench solve    all scenes of a six-scene promotion in three formats, against 30 ms
bin/bench gallery  scrolling 60 templates while their previews are painted ÷ when all are there
bin/bench sound    mixing 30 s of twelve pieces ÷ 30 s, and how smoothly the lanes of three minutes scroll
bin/bench lists    list, search and page requests over 10 000 products, 5 000 media rows and 5 000 promotions
bin/bench load     what each page costs, fifty people browsing and twenty saving, with the demo and with a large team
  --data DIR       the data folder of bin/start with the demo world (.data)`;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { data: { type: "string", default: ".data" }, help: { type: "boolean" } },
});
const BENCHES: Readonly<Record<string, () => Promise<void>>> = {
  render: async () => (await import("./render")).benchRender(values.data),
  rerender: async () => (await import("./rerender")).benchRerender(values.data),
  proof: async () => (await import("./proof")).benchProof(values.data),
  typing: async () => (await import("./proof")).benchTyping(values.data),
  wall: async () => (await import("./wall")).benchWall(values.data),
  solve: async () => (await import("./solve")).benchSolve(),
  gallery: async () => (await import("./gallery")).benchGallery(values.data),
  sound: async () => (await import("./sound")).benchSound(values.data),
  lists: async () => (await import("./lists")).benchLists(values.data),
  load: async () => (await import("./load")).benchLoad(values.data),
};
const [name = ""] = positionals;
const bench = BENCHES[name];
if (bench) {
  // Threads run what users run: compiling sources as they are read, and keeping them, would be measured as well.
  process.env["BUILT_PROGRAMS"] = "yes";
  await (await import("../server/cli/build")).buildProgramsIfChanged();
  await bench();
} else {
  console.log(USAGE);
  process.exitCode = values.help ? 0 : 2;
}
process.exit();
