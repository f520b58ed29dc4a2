/** What of the logo is drawn, and in which colours. */
interface LogoLook {
  readonly leaf: string;
  readonly letters: string;
  /** The sign alone, without the name. */
  readonly markOnly?: true;
}

/** The variants of the logo, by file name. */
export const LOGOS: Readonly<Record<string, LogoLook>> = {
  "quillfern-logo.svg": { leaf: "#2f6b4f", letters: "#20382c" },
  "quillfern-logo-light.svg": { leaf: "#cfe5c8", letters: "#fffaf0" },
  "quillfern-mark.svg": { leaf: "#2f6b4f", letters: "#20382c", markOnly: true },
};

/** The mark of the made-up nursery: a fern frond that is also a quill, and its name in drawn letters. */
export function quillfernLogo({ leaf, letters: ink, markOnly }: LogoLook): string {
  const leaflets = Array.from({ length: 9 }, (_, index) => {
    const t = index / 9;
    const x = 60 + t * 92;
    const y = 168 - t * 112 - Math.sin(t * Math.PI) * 12;
    const length = 44 * Math.sin(Math.PI * (0.22 + 0.72 * t));
    return `<path d="M${x.toFixed(1)} ${y.toFixed(1)}q${(-length * 0.5).toFixed(1)} ${(-length * 0.15).toFixed(1)} ${(-length * 0.62).toFixed(1)} ${(-length * 0.86).toFixed(1)}q${(length * 0.6).toFixed(1)} ${(length * 0.12).toFixed(1)} ${(length * 0.62).toFixed(1)} ${(length * 0.86).toFixed(1)}z"/><path d="M${x.toFixed(1)} ${y.toFixed(1)}q${(length * 0.25).toFixed(1)} ${(length * 0.42).toFixed(1)} ${(length * 0.95).toFixed(1)} ${(length * 0.42).toFixed(1)}q${(-length * 0.3).toFixed(1)} ${(-length * 0.6).toFixed(1)} ${(-length * 0.95).toFixed(1)} ${(-length * 0.42).toFixed(1)}z"/>`;
  }).join("");
  // Letters drawn from strokes of one width, so that no font is needed to show them.
  const strokes: Readonly<Record<string, string>> = {
    q: "M40 30a24 24 0 1 0 0 36M40 18v84",
    u: "M4 18v28a20 20 0 0 0 40 0M44 18v54",
    i: "M6 18v54M6 -4v4",
    l: "M6 -14v86",
    f: "M34 -10a14 14 0 0 0 -20 12v70M0 22h30",
    e: "M6 44h40a21 24 0 1 0 -8 20",
    r: "M6 18v54M6 40a20 20 0 0 1 26 -20",
    n: "M6 18v54M6 44a20 20 0 0 1 40 0v28",
  };
  const widths: Readonly<Record<string, number>> = { q: 64, u: 66, i: 30, l: 30, f: 46, e: 64, r: 46, n: 66 };
  let pen = 208;
  const letters = Array.from("quillfern")
    .map((letter) => {
      const drawn = `<path transform="translate(${pen} 72)" d="${strokes[letter] ?? ""}"/>`;
      pen += widths[letter] ?? 60;
      return drawn;
    })
    .join("");
  const width = markOnly ? 196 : pen + 4;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} 200" width="${width}" height="200"><g fill="${leaf}">${leaflets}</g><path d="M36 190Q70 150 152 50" fill="none" stroke="${leaf}" stroke-width="5" stroke-linecap="round"/>${markOnly ? "" : `<g fill="none" stroke="${ink}" stroke-width="13" stroke-linecap="round" stroke-linejoin="round">${letters}</g>`}</svg>`;
}

/** The sign of the made-up bakehouse: a loaf in an oven's arch, over three bars. */
export function tallowbyLogo(): string {
  const cuts = [62, 86, 110]
    .map(
      (x) => `<path d="M${x} 92q10 -16 18 -26" fill="none" stroke="#f6ead8" stroke-width="7" stroke-linecap="round"/>`,
    )
    .join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 190 190" width="190" height="190"><path d="M10 180V86a85 76 0 0 1 170 0v94z" fill="#7a2436"/><path d="M38 116q-2 -58 56 -58t58 58z" fill="#e3a857"/>${cuts}<g fill="#f6ead8"><rect x="38" y="128" width="114" height="9"/><rect x="38" y="144" width="114" height="9"/><rect x="38" y="160" width="114" height="9"/></g></svg>`;
}
