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

/** Waits until the page has mixed so many samples. */
export async function untilHeard(page: Page, count: number): Promise<void> {
  await page.waitForFunction((wanted) => "heard" in window && (window.heard as AudioBuffer).length === wanted, count);
}

/** What the page last had mixed, as it is heard there: both channels; nothing before it mixed anything. */
export async function heardOnPage(page: Page): Promise<readonly [left: Float32Array, right: Float32Array]> {
  // As text: millions of numbers would take a minute.
  const heard = await page.evaluate(async () => {
    const { heard: buffer } = window as unknown as { heard?: AudioBuffer };
    if (!buffer) return [];
    const inText = async (channel: number): Promise<string> => {
      const reader = new FileReader();
      reader.readAsDataURL(new Blob([Float32Array.from(buffer.getChannelData(channel))]));
      await new Promise((resolve) => reader.addEventListener("load", resolve));
      return typeof reader.result === "string" ? reader.result.replace(/^.*,/, "") : "";
    };
    return [await inText(0), await inText(1)];
  });
  return [samplesIn(heard[0]), samplesIn(heard[1])];
}

function samplesIn(text = ""): Float32Array {
  const bytes = Uint8Array.from(Buffer.from(text, "base64"));
  return new Float32Array(bytes.buffer);
}
