import { expect, test } from "@playwright/test";
import { signInAs } from "./people";
import { withDevices } from "./simulatedDevices";

/** Recording with the simulated camera and microphone that Chromium ships. */
test.use({ launchOptions: withDevices("--auto-select-desktop-capture-source=Entire") });

for (const [source, kind, word] of [
  ["Camera and microphone", "clip", "camera"],
  ["Microphone alone", "sound", "microphone"],
] as const)
  test(`${source.toLowerCase()} is brought in as a ${kind}`, async ({ page }) => {
    await signInAs(page, "Tamsin Kell");
    await page.goto("/media");
    await page.getByRole("button", { name: "Record" }).click();
    await page.getByLabel(source).check();
    await page.getByRole("button", { name: "Get ready" }).click();
    await page.getByRole("button", { name: "Start recording" }).click();
    await expect(page.getByRole("timer")).toHaveText(/^[2-9]/, { timeout: 20_000 });
    await page.getByRole("button", { name: "Stop and keep" }).click();
    await expect(page.getByRole("dialog")).toBeHidden();
    await expect(page.getByLabel("Uploads")).toBeHidden();
    await page.goto(`/media?words=${word}`);
    const shown = page.locator("[data-name]").first();
    await expect(shown).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
    await expect(shown).toContainText(/[2-9]\.\d s/);
    await page.goto(`/media?kind=${kind}&words=${word}`);
    await expect(shown).toBeVisible();
  });
