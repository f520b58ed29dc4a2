import { usualOutput } from "../../core/output/output";
import { fillSlot } from "../../core/document/edits";
import { newToken } from "../auth/sessions";
import { Refusal } from "../../core/refusal";
import { wallTime } from "../../core/offer/validity";
import { loadRenderInput } from "../promotions/loadFacts";
import { ALL_PROMOTIONS, listPromotions } from "../promotions/promotionList";
import { markOutdated } from "../promotions/outdated";
import { type StoredPromotion, createPromotion, promotionBySlug, saveEdits } from "../promotions/promotionStore";
import { type TestTeam, formOf, testTeam } from "../testing/team";
import { forgetOldRenditions } from "../retention/oldRenders";
import { commentsOn } from "./comments";
import { approvedFormats, checkApproval, inReview, verdictsOf } from "./promotionReview";
import { takeReview } from "./reviewForms";
import { reviewedOf } from "./reviewed";
import { embedToken, makeShareLink, openEmbed, openLink, revokeShareLink, shareLinksOf, unlock } from "./shareLinks";

let team: TestTeam;
let promotion: StoredPromotion;
let product: string;
beforeEach(async () => {
  team = await testTeam();
  await team.brand("Ash");
  product = await team.product("Pot", 2400);
  promotion = await createPromotion(team.scope, { template: "one-offer", product, offer: null }, null);
});
afterEach(() => team.close());

const guest = { name: "Rosa", member: null, link: null };

/** A render that is whole, of the promotion as it is now. */
async function rendered(state: "ready" | "working" = "ready"): Promise<string> {
  const { document, revision } = await promotionBySlug(team.scope, promotion.slug);
  const input = JSON.stringify(await loadRenderInput(team.scope, document));
  const { id } = await team.scope
    .insert("render", { promotion_id: promotion.id, revision, quality: "480p", input, passed: null })
    .returning("id")
    .executeTakeFirstOrThrow();
  const file = { format: "square", width: 480, height: 480, fps: 30, frames: 30, seconds: 1, bytes: 9 };
  for (const format of ["square", "vertical"])
    await team.scope
      .insert("rendition", {
        output: JSON.stringify(usualOutput("480p")),
        ...{ render_id: id, format, state, problem: null },
        ...(state === "ready" ? { file: JSON.stringify(file), file_key: "k" } : { file: null, file_key: null }),
      })
      .execute();
  return id;
}
const say = (values: Readonly<Record<string, string>>) =>
  takeReview(team.scope, { id: promotion.id, revision: 1 }, guest, formOf({ intent: "say", ...values }));
const decide = (render: string, values: Readonly<Record<string, string>>) =>
  takeReview(team.scope, { id: promotion.id, revision: 1 }, guest, formOf({ intent: "decide", render, ...values }));
const stateNow = async (): Promise<string> => (await reviewedOf(team.scope, promotion.id)).state;
const save = (text: string) =>
  saveEdits(team.scope, promotion.slug, {
    base: promotion.revision,
    edits: [fillSlot("hook.headline", { kind: "words", text })],
    member: { id: team.memberId, name: "Tess", role: "owner" },
  });

async function madeLink(values: Readonly<Record<string, string>> = {}): Promise<string> {
  const made = await makeShareLink(team.person, promotion.id, formOf(values));
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.values.token;
}

test("a link opens until it is taken back; what nobody made opens nothing", async () => {
  const token = await madeLink({ note: "Rosa" });
  expect((await openLink(token, null)).state).toBe("open");
  expect((await openLink(newToken(), null)).state).toBe("closed");
  const [link] = await shareLinksOf(team.scope, promotion.id);
  await revokeShareLink(team.scope, promotion.id, link?.id ?? "");
  expect((await openLink(token, null)).state).toBe("closed");
  expect((await shareLinksOf(team.scope, promotion.id))[0]).toMatchObject({ state: "taken back", note: "Rosa" });
});

test("a link ends with its last day where the team is, and a day that is over is refused", async () => {
  const today = wallTime(new Date(), "Europe/London").slice(0, 10);
  const token = await madeLink({ ends: today });
  expect((await openLink(token, null)).state).toBe("open");
  await team.scope
    .update("share_link")
    .set({ ends_at: new Date(Date.now() - 1000) })
    .execute();
  expect((await openLink(token, null)).state).toBe("closed");
  expect((await shareLinksOf(team.scope, promotion.id))[0]?.state).toBe("ended");
  const over = await makeShareLink(team.person, promotion.id, formOf({ ends: "2020-02-29" }));
  expect(over).toEqual({ ok: false, problems: { ends: "This day is over. Choose today or later." } });
});

test("a link with a password opens with what the right one gives, and by nothing else; it is embedded nowhere", async () => {
  const token = await madeLink({ password: "three pots" });
  const other = await madeLink({ password: "three pots" });
  expect((await openLink(token, null)).state).toBe("locked");
  expect(await unlock(token, "two pots", "1.2.3.4")).toEqual({ problem: "This is not the password." });
  const unlocked = await unlock(token, "three pots", "1.2.3.4");
  if (!("pass" in unlocked)) throw new Error(unlocked.problem);
  expect((await openLink(token, unlocked.pass)).state).toBe("open");
  expect((await openLink(other, unlocked.pass)).state).toBe("locked");
  expect(await openEmbed(embedToken(token))).toBeNull();
  expect((await openEmbed(embedToken(await madeLink())))?.promotion).toBe(promotion.id);
});

test("only a render of which nothing is missing is looked at", async () => {
  expect((await reviewedOf(team.scope, promotion.id)).render).toBeNull();
  const whole = await rendered();
  await rendered("working");
  const { render, isComing } = await reviewedOf(team.scope, promotion.id);
  expect([render?.id, isComing]).toEqual([whole, true]);
});

test("a render of stills alone is no film to look at; of a format that was made for two places, one is shown", async () => {
  const films = await rendered();
  const { id } = await team.scope
    .select("rendition")
    .select("id")
    .where("format", "=", "vertical")
    .executeTakeFirstOrThrow();
  const still = JSON.stringify({ ...usualOutput("480p"), kind: "still" });
  const file = JSON.stringify({ format: "square", width: 480, height: 480, fps: 0, frames: 1, seconds: 0, bytes: 9 });
  const another = { format: "vertical", state: "ready", file, file_key: "k", problem: null } as const;
  await team.scope.insert("rendition", { ...another, render_id: films, output: still }).execute();
  await team.scope
    .insert("rendition", { ...another, render_id: films, output: JSON.stringify(usualOutput("480p")) })
    .execute();
  const stills = await rendered();
  await team.scope.update("rendition").set({ output: still }).where("render_id", "=", stills).execute();
  const { render } = await reviewedOf(team.scope, promotion.id);
  expect(render?.id).toBe(films);
  expect(render?.files.map(({ format }) => format)).toEqual(["square", "vertical"]);
  expect(render?.files[1]?.id).toBe(id);
});

test("an approval is of the formats that were seen", async () => {
  const render = await rendered();
  expect(await approvedFormats(team.scope, promotion.id)).toBeNull();
  await decide(render, { decision: "approved" });
  // The promotion is made in widescreen, too: nobody saw it.
  expect((await approvedFormats(team.scope, promotion.id))?.toSorted()).toEqual(["square", "vertical"]);
});

test("a comment keeps its moment and place; an answer to an answer belongs to the comment that began it", async () => {
  await say({ words: "Too high", format: "vertical", at: "2000", x: "0.25", y: "0.2" });
  const [first] = await commentsOn(team.scope, promotion.id);
  await say({ words: "How high?", answers: first?.id ?? "" });
  const [answer] = (await commentsOn(team.scope, promotion.id))[0]?.answers ?? [];
  await say({ words: "A hand", answers: answer?.id ?? "", format: "square", at: "1" });
  const [comment, ...others] = await commentsOn(team.scope, promotion.id);
  expect(others).toEqual([]);
  expect(comment).toMatchObject({ format: "vertical", atMs: 2000, place: { x: 0.25, y: 0.2 }, by: "Rosa" });
  expect(comment?.answers.map(({ words }) => words)).toEqual(["How high?", "A hand"]);
});

test.each([
  [{ words: "" }, "words"],
  [{ words: "x".repeat(2001) }, "words"],
  [{ words: "Here", format: "round" }, "format"],
  [{ words: "Here", x: "1.5", y: "0" }, "x"],
  [{ words: "Here", at: "-1" }, "at"],
])("what can't be said is refused by its field: %j", async (values, field) => {
  expect(Object.keys((await say(values)).problems)).toEqual([field]);
  expect(await commentsOn(team.scope, promotion.id)).toEqual([]);
});

test("somebody who answers what is gone is told so", async () => {
  const gone = say({ words: "And?", answers: crypto.randomUUID() });
  await expect(gone).rejects.toThrow(Refusal);
});

test("an approval lapses when a word changes, and holds again when it is as it was approved", async () => {
  await save("We are here");
  const render = await rendered();
  expect((await decide(render, { decision: "changes" })).problems).toEqual({ words: "Write what should change." });
  await decide(render, { decision: "approved" });
  expect(await stateNow()).toBe("approved");
  await save("We were here");
  expect(await checkApproval(team.scope, promotion.id)).toBe("lapsed");
  expect((await inReview(team.scope)).map(({ state }) => state)).toEqual(["lapsed"]);
  const listed = async (state: "approved" | "in review") =>
    (await listPromotions(team.scope, { ...ALL_PROMOTIONS, state })).count;
  expect([await listed("approved"), await listed("in review")]).toEqual([0, 1]);
  await save("We are here");
  expect(await checkApproval(team.scope, promotion.id)).toBe("approved");
  expect(await inReview(team.scope)).toEqual([]);
  expect((await verdictsOf(team.scope, promotion.id)).map(({ decision, by }) => [decision, by])).toEqual([
    ["approved", "Rosa"],
  ]);
});

test("an approval lapses with the product it shows, too, and at once where what was approved is old already", async () => {
  const render = await rendered();
  await decide(render, { decision: "approved" });
  await team.scope.update("product").set({ name: "Another pot" }).where("id", "=", product).execute();
  await markOutdated(team.scope, [promotion.id], "the product was changed");
  expect(await stateNow()).toBe("lapsed");
  await decide(render, { decision: "approved" });
  expect(await stateNow()).toBe("lapsed");
});

test("what was approved is kept when older renders are forgotten", async () => {
  const [approved, old] = [await rendered(), await rendered()];
  await decide(approved, { decision: "approved" });
  await team.scope
    .update("rendition")
    .set({ created_at: new Date(0) })
    .execute();
  await team.scope
    .update("render")
    .set({ created_at: new Date(0) })
    .execute();
  const newest = await rendered();
  expect(await forgetOldRenditions(team.scope.connection, new Date(1))).toBeGreaterThanOrEqual(2);
  const left = await team.scope.select("render").select("id").execute();
  expect(left.map(({ id }) => id).toSorted()).toEqual([approved, newest].toSorted());
  expect(left.map(({ id }) => id)).not.toContain(old);
});
