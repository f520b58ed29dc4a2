import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { once } from "node:events";
import { chmod, mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { freePort, removeCluster } from "../server/cli/cluster";

/** A newcomer's own Stencilcraft: started empty beside the one under test, set up, stopped, started again. */
let data: string;
test.beforeAll(async () => {
  data = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await chmod(data, 0o755);
});
test.afterAll(async () => {
  await removeCluster(data);
  await rm(data, { recursive: true, force: true });
});

async function start(port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, ["--import", "tsx", "server/cli/start.ts", "--data", data, "--port", String(port), "--no-demo"], { stdio: ["ignore", "pipe", "ignore"], env: { ...process.env, DATABASE_URL: "", PORT: "" } });
  await new Promise<void>((resolve, reject) => {
    child.stdout?.setEncoding("utf8").on("data", (text: string) => text.includes("ready at") && resolve());
    child.on("exit", () => reject(new Error("It ended before it was ready.")));
  });
  return child;
}

async function stop(child: ChildProcess, signal: "SIGINT" | "SIGTERM"): Promise<void> {
  const ended = once(child, "exit");
  child.kill(signal);
  await ended;
}

test("the first person makes a team, a brand, a product and a promotion; all is there after a restart, and a stop leaves nothing running", async ({ browser }) => {
  const port = await freePort();
  const first = await start(port);
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto("/");
  await page.getByLabel("Business").fill("Tallowby Bakehouse");
  await page.getByLabel("Your name").fill("Oda Finch");
  await page.getByLabel("E-mail").fill("oda@tallowby.example.com");
  await page.getByLabel("Password").fill("short");
  await page.getByRole("button", { name: "Set up" }).click();
  await expect(page.getByRole("alert")).toHaveText("At least 10 characters.");
  await page.getByLabel("Password").fill("long enough for bread");
  await page.getByRole("button", { name: "Set up" }).click();
  await page.getByLabel("Brand name").fill("Tallowby");
  await page.getByRole("button", { name: "Start the book" }).click();
  await page.getByLabel("Call to action 1").fill("Come in, it is warm");
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByText("Saved. Promotions show it")).toBeVisible();
  await page.goto("/catalogue");
  await page.getByRole("link", { name: "New product" }).click();
  const form = page.getByRole("form", { name: "New product" });
  await form.getByLabel("Name").fill("Rye loaf");
  await form.getByLabel("Price").fill("4.20");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("table")).toContainText("£4.20");
  await page.goto("/promotions/new");
  await page.getByRole("button", { name: "Fill the first version" }).click();
  await expect(page.getByLabel("Product", { exact: true })).toHaveValue("Rye loaf");
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await stop(first, "SIGINT");

  const second = await start(port);
  await page.goto("/promotions");
  await expect(page.getByText("Rye loaf: one product, one offer")).toBeVisible();
  await page.goto("/set-up");
  await expect(page).not.toHaveURL(/set-up/);
  await context.close();
  await stop(second, "SIGTERM");
  expect(execFileSync("ps", ["-eo", "args="]).toString()).not.toContain(data);
});
