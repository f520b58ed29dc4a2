import { usualOutput } from "../../core/output/output";
import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { rename } from "../../core/document/edits";
import { createPromotion, promotionBySlug, saveEdits } from "../promotions/promotionStore";
import { renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { type TestTeam, testTeam } from "../testing/team";
import { finishedRendition, zipRender } from "./finished";

let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
});
afterAll(() => team.close());

const FILE = { format: "square", width: 480, height: 480, fps: 30, frames: 60, seconds: 2, bytes: 15 };

test("files carry the name that the promotion has now, each in a zip too; another team has none of them", async () => {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const { id, slug, document } = await createPromotion(
    team.scope,
    { template: "opening-hours", product, offer: null },
    team.memberId,
  );
  const { id: render } = await team.scope
    .insert("render", {
      promotion_id: id,
      revision: 1,
      quality: "480p",
      input: JSON.stringify({ document }),
      passed: null,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const { id: rendition } = await team.scope
    .insert("rendition", {
      render_id: render,
      format: "square",
      output: JSON.stringify(usualOutput("480p")),
      file: null,
      file_key: null,
      problem: null,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  await writeFile(join(folder, "file"), "moving pictures");
  await store().keep(renditionKey(rendition), join(folder, "file"));
  const ready = { state: "ready" as const, file: JSON.stringify(FILE), file_key: renditionKey(rendition) };
  await team.scope.update("rendition").set(ready).where("id", "=", rendition).execute();
  const before = await finishedRendition(team.scope, rendition);
  const { revision } = await promotionBySlug(team.scope, slug);
  const member = { id: team.memberId, name: "Tess", role: "owner" as const };
  await saveEdits(team.scope, slug, { base: revision, edits: [rename("Été: open late")], member });
  const { name, path } = await finishedRendition(team.scope, rendition);
  expect(before.name).not.toBe(name);
  expect({ name, path }).toEqual({ name: "ete-open-late-square-480p.mp4", path: before.path });
  const zip = await zipRender(team.scope, render);
  expect(zip.name).toBe("ete-open-late-480p.zip");
  const bytes = Buffer.from(await new Response(zip.stream).arrayBuffer()).toString("latin1");
  // What is stored is not compressed: it can be read as it lies there.
  expect(bytes).toContain("ete-open-late-square-480p.mp4");
  expect(bytes).toMatch(/"width": 480,[^}]*"sha256": "[0-9a-f]{64}"/);
  expect(bytes).toMatch(/file,kind,format,[^\r]*\r\nete-open-late-square-480p\.mp4,mp4,square,,480,480,30,60,2,15,,/);
  const other = await testTeam();
  await expect(finishedRendition(other.scope, rendition)).rejects.toMatchObject({ status: 404 });
  await other.close();
  await rm(folder, { recursive: true });
});
