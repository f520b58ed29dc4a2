import { formatRecord } from "../core/document/formatList";
import { repeatScene } from "../core/document/restructure";
import { scenesInOrder } from "../core/document/sceneList";
import { addPromotion } from "./benchPromotion";
import { withDeskPage } from "./deskPage";

const SLUG = "bench-wall";
const SCENES = 24;
const FORMATS = ["square", "vertical", "widescreen", "portrait", "5x7"] as const;

/** How long the Proof desk's wall of 24 scenes in five formats takes, from the press that opens it. */
export async function benchWall(data: string): Promise<void> {
  await addPromotion(data, SLUG, (model) => {
    let document = { ...model, formats: formatRecord(FORMATS), name: "Wall of 24 scenes" };
    for (let at = 0; scenesInOrder(document).length < SCENES; at++) {
      const scenes = scenesInOrder(document);
      document = { ...document, ...repeatScene(document, scenes[at % scenes.length]?.id ?? "") };
    }
    return Promise.resolve(document);
  });
  await withDeskPage(data, async (page) => {
    const runs: { readonly first: number; readonly all: number }[] = [];
    for (let run = 0; run < 4; run++) {
      await page.goto(`/promotions/${SLUG}`);
      await page.getByTestId("meters").first().waitFor();
      runs.push(
        await page.evaluate(
          (cells) =>
            new Promise<{ first: number; all: number }>((resolve) => {
              const link = [...document.querySelectorAll("a")].find(
                ({ textContent }) => textContent.trim() === "Proof",
              );
              if (!link) throw new Error("The desk has no way to Proof.");
              const start = performance.now();
              let first = 0;
              link.click();
              const look = (): void => {
                // A canvas on which nothing was painted has the size that HTML gives it.
                const painted = [...document.querySelectorAll<HTMLCanvasElement>("[data-cell] canvas")].filter(
                  ({ width }) => width !== 300,
                ).length;
                if (painted > 0 && first === 0) first = performance.now() - start;
                if (painted === cells) resolve({ first, all: performance.now() - start });
                else requestAnimationFrame(look);
              };
              requestAnimationFrame(look);
            }),
          SCENES * FORMATS.length,
        ),
      );
    }
    const middle = (of: "first" | "all"): number =>
      runs.map((run) => run[of]).sort((one, other) => one - other)[1] ?? 0;
    const [first, all] = [middle("first"), middle("all")].map((ms) => `${ms.toFixed(0)} ms`);
    console.log(
      `wall of ${SCENES} scenes in ${FORMATS.length} formats, from the press that opens it, ${runs.length} times:`,
    );
    console.log(`first cell ${first}, all ${all}`);
    console.log(`ratio ${(middle("first") / middle("all")).toFixed(2)} first to all`);
  });
}
