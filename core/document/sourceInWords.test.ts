import { testDocument } from "../testing/promotions";
import { millis } from "../units";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { defined } from "../testing/defined";
import { sceneDesign, sourced } from "./design";
import { adjust, applyEdit, giveBack } from "./edits";
import { type Promotion } from "./promotion";
import { sourceInWords } from "./sourceInWords";

const target = { scene: "hook" };
function source(document: Promotion, id: "overlap" | "ground"): string {
  const design = sceneDesign(document, SHIPPED_BY_REF, defined(document.scenes["hook"]));
  const { layer } = sourced(document, id, { ...design, target, format: null });
  return sourceInWords(document, id, { target, layer });
}

test("a value says where it comes from, the nearest first, and in which formats it is another", () => {
  const plain = testDocument();
  expect(source(plain, "overlap")).toBe("from the template");
  const all = applyEdit(plain, adjust("overlap", millis(200), { target, layer: "@all" }));
  expect(source(all, "overlap")).toBe("set for the whole promotion");
  const here = applyEdit(all, adjust("overlap", millis(300), { target }));
  expect(source(here, "overlap")).toBe("set here");
  const vertical = adjust("ground", "primary", { target, layer: "scene@format", format: "vertical" });
  const inFormats = [vertical, adjust("ground", "accent", { target, layer: "scene@format", format: "5x7" })].reduce(
    applyEdit,
    plain,
  );
  expect(source(inFormats, "ground")).toBe("from the template, other in 5:7, vertical");
  const back = giveBack(inFormats, "ground", target);
  expect(source(applyEdit(inFormats, defined(back ?? undefined)), "ground")).toBe("from the template");
});
