import { CHROMIUM } from "../server/testing/chromium";

/** How Chromium is started with the camera and microphone that it simulates. @param args what else it is told */
export const withDevices = (...args: readonly string[]) => ({
  executablePath: CHROMIUM,
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--use-fake-device-for-media-stream",
    "--use-fake-ui-for-media-stream",
    ...args,
  ],
});
