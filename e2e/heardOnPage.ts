import { type Page } from "@playwright/test";

/** Has a page keep what it has mixed to be heard. Before it is opened. */
export async function keepHeard(page: Page): Promise<void> {
  await page.addInitScript(() => {
    window.AudioContext = class extends AudioContext {
      override createBuffer(...given: Parameters<AudioContext["createBuffer"]>): AudioBuffer {
        const heard = super.createBuffer(...given);
        Object.assign(window, { heard });
        return heard;
      }
    };
  });
}

/** What the page last had mixed, as it is heard there: both channels; nothing before it mixed anything. */
export async function heardOnPage(page: Page): Promise<readonly [left: Float32Array, right: Float32Array]> {
  const heard = await page.evaluate(() => {
    const { heard: buffer } = window as unknown as { heard?: AudioBuffer };
    return buffer ? [0, 1].map((channel) => Array.from(buffer.getChannelData(channel))) : [[], []];
  });
  return [Float32Array.from(heard[0] ?? []), Float32Array.from(heard[1] ?? [])];
}
