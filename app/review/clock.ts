/** A time as people read it beside a film: minutes, seconds and a tenth. @param ms in milliseconds */
export const clock = (ms: number): string =>
  `${Math.floor(ms / 60_000)}:${(Math.floor((ms % 60_000) / 100) / 10).toFixed(1).padStart(4, "0")}`;
