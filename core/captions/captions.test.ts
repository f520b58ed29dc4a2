import { execFileSync } from "node:child_process";
import fc from "fast-check";
import { readingNeed } from "../time/reading";
import { plainWords } from "../type/emphasis";
import { defined } from "../testing/defined";
import { millis } from "../units";
import { MOST_IN_LINE, inCaptions, inLines } from "./breakLines";
import { type Cue } from "./cue";
import { captionsOfScript } from "./fromScript";
import { readCaptions } from "./readCaptions";
import { writeSrt, writeVtt } from "./writeCaptions";

const cue = (from: number, to: number, text: string): Cue => ({ from: millis(from), to: millis(to), text });

describe("WebVTT: examples of the W3C's WebVTT 1", () => {
  test("example 1: a caption file with several lines, notes of who speaks and pauses", () => {
    const file = `WEBVTT

00:11.000 --> 00:13.000
<v Roger Bingham>We are in New York City

00:13.000 --> 00:16.000
<v Roger Bingham>We’re actually at the Lucern Hotel, just down the street

00:16.000 --> 00:18.000
<v Roger Bingham>from the American Museum of Natural History
`;
    expect(readCaptions(file)).toEqual({
      kind: "WebVTT",
      cues: [
        cue(11_000, 13_000, "We are in New York City"),
        cue(13_000, 16_000, "We’re actually at the Lucern Hotel, just down the street"),
        cue(16_000, 18_000, "from the American Museum of Natural History"),
      ],
      dropped: ["Names of speakers were left out."],
    });
  });

  test("example with comments and names: notes are no captions, a cue may have a name", () => {
    const file = `WEBVTT - This file has cues.

14
00:01:14.815 --> 00:01:18.114
- What?
- Where are we now?

NOTE This last cue may not translate well.

15
00:01:18.171 --> 00:01:20.991
- This is big bat country.

NOTE
style lines
--
16
`;
    const { cues, dropped } = readCaptions(file);
    expect(cues).toEqual([
      cue(74_815, 78_114, "- What?\n- Where are we now?"),
      cue(78_171, 80_991, "- This is big bat country."),
    ]);
    expect(dropped).toEqual([]);
  });

  test("example with a style sheet, regions and settings: the words stay, what is left out is said", () => {
    const file = `WEBVTT

STYLE
::cue {
  background-image: linear-gradient(to bottom, dimgray, lightgray);
}

REGION
id:fred
width:40%
lines:3

00:00:00.000 --> 00:00:20.000 region:fred align:left
<v Fred>Hi, my name is <b>Fred</b>

00:00:02.500 --> 00:00:22.500 position:10%,line-left align:left size:35%
<c.yellow.bg_blue>Hi, I’m Bill &amp; <i.foreignphrase>Bonne nuit</i></c>
`;
    const { cues, dropped } = readCaptions(file);
    // They overlap, and both stay.
    expect(cues).toEqual([cue(0, 20_000, "Hi, my name is *Fred*"), cue(2500, 22_500, "Hi, I’m Bill & *Bonne nuit*")]);
    expect(dropped).toHaveLength(5);
    expect(dropped.join(" ")).toMatch(/style sheet.*regions.*Places and sizes.*speakers.*Colours, classes/);
  });
});

test("a byte order mark, Windows line ends, hours that are left out, points and commas: all are read", () => {
  const file =
    "\uFEFF1\r\n00:00:01,000 --> 00:00:02,500  X1:40 X2:600 Y1:20 Y2:50\r\n" +
    '<font color="#fff">Hi {\\an8}there</font>\r\nline 2\r\n\r\n\r\n2\r\n00:03.5 --> 00:04.250\r\nBye\r\n';
  const { kind, cues, dropped } = readCaptions(file);
  expect(kind).toBe("SubRip");
  expect(cues).toEqual([cue(1000, 2500, "Hi there\nline 2"), cue(3500, 4250, "Bye")]);
  expect(dropped.join(" ")).toMatch(/Places and sizes.*Places and colours inside.*Colours, classes/);
});

test("what can't be read is left out and counted, and the rest stays", () => {
  const file =
    "WEBVTT\n\n00:05.000 --> 00:03.000\nbackwards\n\n00:99.000 --> 00:03.000\nno time\n\n" +
    "bad --> 00:04.000\nno time either\n\n00:06.000 --> 00:07.000\n\n00:08.000 --> 00:09.000\nGood\n\nloose words";
  const { cues, dropped } = readCaptions(file);
  expect(cues).toEqual([cue(8000, 9000, "Good")]);
  expect(dropped).toEqual([
    "1 caption was left out: it ends before it begins.",
    "2 captions were left out: its time can't be read.",
    "1 caption was left out: nothing is said in it.",
    "1 caption was left out: no time is given.",
  ]);
  expect(readCaptions("just a letter\n\nto somebody").dropped).toContain("No captions were found in it.");
  expect(readCaptions("").cues).toEqual([]);
});

test("emphasis goes across lines and inside other emphasis, single letters lose it, an asterisk stays one", () => {
  const text = (inside: string): string =>
    defined(readCaptions(`WEBVTT\n\n00:01.000 --> 00:02.000\n${inside}`).cues[0]).text;
  expect(text("<b>two\nlines</b> of it")).toBe("*two*\n*lines* of it");
  expect(text("<b>all <i>of</i> it</b>")).toBe("*all of it*");
  expect(text("un<b>believ</b>able")).toBe("unbelievable");
  expect(plainWords(text("5*4 and *that*"))).toBe("5∗4 and ∗that∗");
});

const word = fc.stringMatching(/^[a-zéüß&<>’]{1,9}[,.!?]?$/u);
const line = fc.array(word, { minLength: 1, maxLength: 6 }).map((words) => words.join(" "));
const anyCues = fc
  .array(
    fc.record({
      from: fc.integer({ min: 0, max: 5_000_000 }),
      lasts: fc.integer({ min: 1, max: 20_000 }),
      text: fc.tuple(line, fc.option(line)).map((lines) => lines.filter((one) => one !== null).join("\n")),
      isMarked: fc.boolean(),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((all) => all.map(({ from, lasts, text, isMarked }) => cue(from, from + lasts, isMarked ? `*ja* ${text}` : text)))
  .map((cues) => [...cues].sort((one, other) => one.from - other.from || one.to - other.to));

test("what is written is read again as it was, in both kinds of file, overlaps and all", () => {
  fc.assert(
    fc.property(anyCues, (cues) => {
      expect(readCaptions(writeVtt(cues)).cues).toEqual(cues);
      const plain = cues
        .map((one) => ({ ...one, text: one.text.replaceAll(/[<>]/g, "") }))
        .filter(({ text }) => text.trim() !== "");
      const again = readCaptions(writeSrt(plain)).cues;
      expect(again.map(({ from, to }) => [from, to])).toEqual(plain.map(({ from, to }) => [from, to]));
    }),
    { numRuns: 60 },
  );
});

test("ffmpeg reads from our files what we wrote: times and words", () => {
  const cues = [
    cue(500, 2000, "First & *bold* one"),
    cue(2080, 3999, "Two\nlines <here>"),
    cue(3_723_004, 3_724_250, "Late"),
  ];
  for (const [format, written] of [
    ["webvtt", writeVtt(cues)],
    ["srt", writeSrt(cues)],
  ] as const) {
    const out = execFileSync("ffmpeg", ["-v", "error", "-f", format, "-i", "pipe:0", "-f", "srt", "pipe:1"], {
      input: written,
      encoding: "utf8",
    });
    const read = readCaptions(out);
    expect(read.cues.map(({ from, to }) => [from, to])).toEqual(cues.map(({ from, to }) => [from, to]));
    expect(read.cues.map(({ text }) => plainWords(text).split("\n")[0])).toEqual(["First & bold one", "Two", "Late"]);
  }
});

describe("cut by the rules", () => {
  const script =
    "Potting week starts on Monday. Come and choose from forty kinds of pot, all thrown by hand in the village, " +
    "and take home a bag of compost for each of them. Tea is free!";

  test("at most two lines of forty characters, sentences apart, no word alone, nothing lost", () => {
    const captions = inCaptions(script);
    expect(captions.map((text) => text.replaceAll("\n", " ")).join(" ")).toBe(script);
    for (const text of captions) {
      const lines = text.split("\n");
      expect(lines.length).toBeLessThanOrEqual(2);
      for (const one of lines) expect(one.length).toBeLessThanOrEqual(MOST_IN_LINE);
      if (lines.length === 2) expect(defined(lines[1]).length).toBeGreaterThan(defined(lines[0]).length * 0.35);
    }
    expect(captions[0]).toBe("Potting week starts on Monday.");
    expect(captions.at(-1)).toBe("Tea is free!");
  });

  test("of any words nothing is lost or doubled, and only a word that is too long itself goes over a line", () => {
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 60 }), (words) => {
        const captions = inCaptions(words.join(" "));
        expect(captions.join(" ").split(/\s+/)).toEqual(words);
        for (const one of captions.flatMap((text) => text.split("\n")))
          if (one.includes(" ")) expect(one.length).toBeLessThanOrEqual(MOST_IN_LINE);
      }),
    );
  });

  test("two lines are about even, and do not end on a small word where they need not", () => {
    expect(inLines("Fresh herbs from the garden behind the old shop")).toBe(
      "Fresh herbs from the garden\nbehind the old shop",
    );
    expect(inLines("Short")).toBe("Short");
    expect(inLines("As\nit was")).toBe("As\nit was");
  });

  test("a script has the time it takes to read, one caption after the other; where there is less, all give way alike", () => {
    const free = captionsOfScript(script, { from: 1000, until: 60_000 });
    expect(defined(free[0]).from).toBe(1000);
    free.forEach(({ from, to, text }, at) => {
      expect(Math.abs(to - from - readingNeed(text))).toBeLessThanOrEqual(1);
      if (at > 0) expect(from).toBeGreaterThan(defined(free[at - 1]).to);
    });
    const held = captionsOfScript(script, { from: 1000, until: 6000 });
    expect(held.map(({ text }) => text)).toEqual(free.map(({ text }) => text));
    expect(defined(held.at(-1)).to).toBeLessThanOrEqual(6000);
    expect(defined(held.at(-1)).to).toBeGreaterThan(5900);
    expect(captionsOfScript("", { from: 0, until: 1000 })).toEqual([]);
  });
});
