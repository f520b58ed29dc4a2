/** Debian's Chromium without a window: what tests and benches look through. `bin/install.sh` installs it. */
export const CHROMIUM = "/usr/bin/chromium-headless-shell";
