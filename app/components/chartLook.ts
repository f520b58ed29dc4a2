/** How the axes of charts are written, and what is shown of a point. */
export const chartAxis = {
  tick: { fontSize: 11, fill: "var(--color-soft)" },
  tickLine: false,
  axisLine: false,
} as const;
export const chartTip = {
  contentStyle: { border: "1px solid var(--color-ink)", background: "var(--color-card)", fontSize: 12, padding: 6 },
} as const;
