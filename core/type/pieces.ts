import { type Pieces } from "../motion/movement";
import { type DrawnLetter, type FittedWords, type SetLine } from "./fit";

/**
 * Set words in pieces that are drawn by themselves, in the order in which they are read: each is the words with one line
 * of which only that piece is left, where it stood. A piece is made when it is asked for.
 */
export function wordPieces(words: FittedWords, by: Exclude<Pieces, "as one">): (() => FittedWords)[] {
  return words.lines
    .filter(({ letters }) => letters.length > 0)
    .flatMap((line): (() => SetLine)[] =>
      by === "line by line" ? [() => line] : groupsOf(line, by).map((group) => () => only(line, group)),
    )
    .map((line) => () => ({ ...words, lines: [line()] }));
}

/** Letters that come in together: those of a word, or each by itself. Marks that lie over a letter come with it. */
function groupsOf({ letters }: SetLine, by: "word by word" | "letter by letter"): DrawnLetter[][] {
  const groups: DrawnLetter[][] = [];
  for (const letter of letters) {
    const last = groups.at(-1);
    const isSame = last?.[0]?.word === letter.word && (by === "word by word" || last[0].x === letter.x);
    if (last && isSame) last.push(letter);
    else groups.push([letter]);
  }
  return groups;
}

function only(line: SetLine, group: readonly DrawnLetter[]): SetLine {
  const part = (which: DrawnLetter["part"]): DrawnLetter[] => group.filter((letter) => letter.part === which);
  const none: readonly number[] = [];
  const joined = (which: "outline" | "marked"): readonly number[] =>
    none.concat(...part(which).map(({ from, to }) => line[which].slice(from, to)));
  const starts = group.map(({ x }) => x);
  const [first, next] = [Math.min(...starts), nextStart(line, group)];
  return {
    ...line,
    outline: joined("outline"),
    marked: joined("marked"),
    emoji: part("emoji").flatMap(({ from, to }) => line.emoji.slice(from, to)),
    // What is under several letters comes with the first of them.
    stretches: line.stretches.filter(({ start }) => start >= first - HAIR && start < next - HAIR),
    letters: group,
  };
}

const HAIR = 1e-6;

/** Where the letters after a group begin; beyond all where none do. */
function nextStart({ letters }: SetLine, group: readonly DrawnLetter[]): number {
  const last = Math.max(...group.map(({ x }) => x));
  return Math.min(Infinity, ...letters.filter(({ x }) => x > last + HAIR).map(({ x }) => x));
}
