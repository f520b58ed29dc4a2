import { chromium } from "playwright-core";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox"] });
const ctx = await browser.newContext({ baseURL: "http://127.0.0.1:5111", viewport: { width: 1280, height: 800 } });
const page = await ctx.newPage();
await page.goto("/sign-in"); await page.getByRole("button", { name: "Sign in as Imre Vass" }).click(); await page.waitForURL(/\/$/);
for (let run=0; run<4; run++) {
  await page.goto("/promotions/bench-wall");
  await page.getByTestId("meters").first().waitFor();
  const client = await ctx.newCDPSession(page);
  const out = await page.evaluate(() => new Promise((resolve) => {
    const link = [...document.querySelectorAll("a")].find(({ textContent }) => textContent.trim() === "Proof");
    performance.clearResourceTimings();
    const start = performance.now(); let first = 0; const tasks = [];
    new PerformanceObserver((l) => l.getEntries().forEach((e) => tasks.push([Math.round(e.startTime - start), Math.round(e.duration)]))).observe({ entryTypes: ["longtask"] });
    let url = 0, wall = 0;
    link.click();
    const look = () => {
      if (!url && location.pathname.endsWith("/proof")) url = performance.now() - start;
      if (!wall && document.querySelector("[data-cell]")) wall = performance.now() - start;
      const painted = [...document.querySelectorAll("[data-cell] canvas")].filter(({ width }) => width !== 300).length;
      if (painted > 0) { first = performance.now() - start; setTimeout(() => resolve({ first, url, wall, tasks, res: performance.getEntriesByType("resource").map((e) => [e.name.split("/").pop().slice(0, 40), Math.round(e.startTime - start), Math.round(e.duration), e.transferSize]) }), 300); }
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  }));
  console.log(JSON.stringify({ ...out, res: out.res.filter((r) => r[1] < out.first).slice(0, 14) }));
}
await browser.close();
