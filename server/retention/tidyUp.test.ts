import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { type Promotion } from "../../core/document/promotion";
import { IS_FULL } from "../../core/testing/sample";
import { database, closeDatabase } from "../db/connect";
import { migrate } from "../db/migrate";
import { ingestMedia } from "../media/ingest";
import { receiveMedia } from "../media/receive";
import { removeMedia } from "../media/mediaChanges";
import { createPromotion, promotionBySlug, saveEdits } from "../promotions/promotionStore";
import { keepRevision } from "../promotions/revisions";
import { type PaintPool, openPaintPool } from "../render/paintPool";
import { localPainter } from "../render/segmentPainter";
import { renderRendition } from "../render/renditionJob";
import { filesIn, requestRender } from "../render/renditions";
import { originalKey, renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { ownDatabase } from "../testing/ownDatabase";
import { shortScenes } from "../testing/shortRender";
import { type TestTeam, testTeam } from "../testing/team";
import { spaceOf } from "./spaceUsed";
import { tidyUp } from "./tidyUp";

const DAY_MS = 86_400_000;
const [UPLOADS, REMOVED, SAVES, RENDERS] = IS_FULL ? [50, 20, 200, 20] : [9, 4, 80, 4];

let drop: () => Promise<void>;
let folder: string;
let team: TestTeam;
let pool: PaintPool;
beforeAll(async () => {
  drop = await ownDatabase();
  await migrate(database());
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  team = await testTeam();
  pool = openPaintPool(2);
});
afterAll(async () => {
  await pool.close();
  await team.close();
  await closeDatabase();
  await drop();
  await rm(folder, { recursive: true });
});

const later = (days: number): Date => new Date(Date.now() + days * DAY_MS);
const keysUnder = async (folder: string): Promise<string[]> => {
  const keys: string[] = [];
  for await (const { key } of store().under(folder)) keys.push(key);
  return keys;
};

async function brought(at: number): Promise<{ id: string; sha256: string }> {
  const png = await sharp({
    create: { width: 60 + at, height: 60, channels: 3, background: `rgb(${at * 5},90,${255 - at * 5})` },
  })
    .png()
    .toBuffer();
  const path = join(folder, `tile ${at}.png`);
  await writeFile(path, png);
  const { id } = await receiveMedia(team.scope, `tile ${at}.png`, path);
  await ingestMedia(database(), id);
  return team.scope.media().select(["id", "sha256"]).where("id", "=", id).executeTakeFirstOrThrow();
}

const DAY = `${SAVES} saves, ${RENDERS} renders and ${UPLOADS} uploads of which ${REMOVED} are removed`;
test(`after a day of ${DAY}, what nothing refers to goes, and nothing that is in use`, async () => {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const media = [];
  for (let at = 0; at < UPLOADS; at++) media.push(await brought(at));
  const { slug } = await createPromotion(
    team.scope,
    { template: "opening-hours", product, offer: null },
    team.memberId,
  );
  const member = { id: team.memberId, role: "owner", name: "Tess" } as const;
  for (let save = 1; save <= SAVES; save++) {
    const edits = [{ label: "name", patch: [{ op: "replace", path: "/name", value: `Pot ${save}` }] }];
    expect(await saveEdits(team.scope, slug, { base: save, edits, member })).toMatchObject({ refused: [] });
    if (save === 60) {
      const { id, revision, document } = await promotionBySlug(team.scope, slug);
      await keepRevision(team.scope, { promotion: id, revision, document, member: member.id, name: "As agreed" });
    }
  }
  // The picture of one that is removed is in use still: in a version that somebody named.
  const [inUse, ...others] = media.slice(0, REMOVED);
  if (!inUse) throw new Error("There are media.");
  const named = await promotionBySlug(team.scope, slug);
  const withPicture = { ...named.document, name: inUse.id };
  await keepRevision(team.scope, {
    ...{ promotion: named.id, revision: 9999, document: withPicture, member: member.id, name: "With its picture" },
  });
  await removeMedia(
    team.scope,
    [inUse, ...others].map(({ id }) => id),
  );

  const renditions: string[] = [];
  for (let render = 0; render < RENDERS; render++) {
    const stored = await promotionBySlug(team.scope, slug);
    const fills: Promotion["fills"] = { "notice.headline": { kind: "words", text: `${Math.floor(render / 5)}` } };
    const document = { ...stored.document, ...shortScenes(500), fills };
    const answer = await requestRender(
      team.scope,
      { ...stored, document },
      { files: filesIn(["square"], "480p"), letPass: { by: "Tess", reason: "Only a test" } },
    );
    if (!("render" in answer)) throw new Error("It was blocked.");
    const { id } = await team.scope
      .select("rendition")
      .select("id")
      .where("render_id", "=", answer.render)
      .executeTakeFirstOrThrow();
    await renderRendition(database(), localPainter(pool), { rendition: id, asking: 1 });
    renditions.push(id);
  }
  expect(await keysUnder("renditions")).toHaveLength(RENDERS);
  expect((await keysUnder("segments")).length).toBeGreaterThan(0);

  // The next night nothing is old enough.
  expect(await tidyUp(database(), new Date())).toEqual({
    ...{ edits: 0, versions: 0, media: 0, renditions: 0, files: 0, bytes: 0 },
  });
  const space = await spaceOf(team.scope);
  expect(space?.kinds.map(({ kind }) => kind)).toEqual(
    expect.arrayContaining(["originals", "working copies", "renders"]),
  );
  expect(space?.kinds.find(({ kind }) => kind === "originals")?.files).toBe(UPLOADS);

  // A season later.
  const tidied = await tidyUp(database(), later(100));
  expect(tidied).toMatchObject({ edits: SAVES, media: REMOVED - 1, renditions: RENDERS - 1 });
  expect(tidied.files).toBeGreaterThan(REMOVED - 1 + RENDERS - 1);

  const left = await team.scope.select("media").select("sha256").execute();
  expect(left).toHaveLength(UPLOADS - REMOVED + 1);
  for (const { sha256 } of left) expect(await store().has(originalKey(sha256))).toBe(true);
  for (const { sha256 } of others) expect(await store().has(originalKey(sha256))).toBe(false);
  // The newest rendition stays, and its file; segments are made again when they are wanted.
  expect(await keysUnder("renditions")).toEqual([renditionKey(renditions.at(-1) ?? "")]);
  expect(await keysUnder("segments")).toEqual([]);
  // Versions: the first, the last of the day, and those with a name; the promotion is as it was.
  const versions = await team.scope
    .select("promotion_revision")
    .select(["revision", "name"])
    .orderBy("revision")
    .execute();
  expect(versions.map(({ name }) => name).filter((name) => name !== null)).toEqual(["As agreed", "With its picture"]);
  expect(versions[0]?.revision).toBe(1);
  expect((await promotionBySlug(team.scope, slug)).document.name).toBe(`Pot ${SAVES}`);
  expect(await team.scope.select("promotion_edit").select("revision").execute()).toEqual([]);

  // Another night has nothing more to do.
  expect(await tidyUp(database(), later(101))).toMatchObject({
    edits: 0,
    versions: 0,
    media: 0,
    renditions: 0,
    files: 0,
  });
}, 120_000);
