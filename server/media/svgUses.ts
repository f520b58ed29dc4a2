/** Counts how often the parts of an SVG are drawn by `use`, all levels multiplied out, as its tags are read. */
export class SvgUses {
  /** What each part with an id repeats; "" is the drawing itself. */
  private readonly inside = new Map<string, string[]>([["", []]]);
  /** The ids of the tags that are open. */
  private readonly opened: string[] = [];

  open(name: string, id: string, href: string): void {
    if (id !== "" && !this.inside.has(id)) this.inside.set(id, []);
    if (name === "use") {
      const holders = [...this.opened, id].filter((one) => one !== "");
      for (const holder of holders.length > 0 ? new Set(holders) : [""])
        this.inside.get(holder)?.push(href.replace(/^#/, ""));
    }
    this.opened.push(id);
  }

  close(): void {
    this.opened.pop();
  }

  /** The most repetitions that any part comes to; Infinity when parts repeat themselves. */
  most(): number {
    const known = new Map<string, number>();
    const count = (id: string, path: ReadonlySet<string>): number => {
      if (path.has(id)) return Infinity;
      const before = known.get(id);
      if (before !== undefined) return before;
      const below = new Set([...path, id]);
      const total = (this.inside.get(id) ?? []).reduce((sum, target) => sum + 1 + count(target, below), 0);
      known.set(id, total);
      return total;
    };
    return [...this.inside.keys()].reduce((most, id) => Math.max(most, count(id, new Set())), 0);
  }
}
