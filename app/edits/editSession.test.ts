import { jest } from "@jest/globals";
import { type Edit } from "../../core/document/edit";
import { applyEdit, fillSlot, inverseOf, rename, takeOutScene } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { takenBack } from "../../core/document/rebase";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { defined } from "../../core/testing/defined";
import { testDocument } from "../../core/testing/promotions";
import { type EditSession, type Merged, openEditSession } from "./editSession";
import { type SaveAnswer } from "./editServer";

const words = (slot: SlotKey, text: string): Edit => fillSlot(slot, { kind: "words", text });
const textIn = (document: Promotion, slot: SlotKey): string | undefined => {
  const fill = document.fills[slot];
  return fill?.kind === "words" ? fill.text : undefined;
};

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});
/** Lets all that waits for a while, and for answers, come about. */
const later = (ms: number): Promise<void> => jest.advanceTimersByTimeAsync(ms);

/** A server that keeps one promotion, as the real one does: edits go on the newest revision, refused ones by index. */
class TestServer {
  document = testDocument();
  revision = 1;
  /** What it does with what is sent, if anything but saving it. */
  next: "fail" | "refuse all" | null = null;
  readonly sent: (readonly Edit[])[] = [];

  save(base: number, edits: readonly Edit[]): SaveAnswer<Promotion> {
    const before = this.revision;
    const refused: { index: number; problem: string }[] = [];
    for (const [index, edit] of edits.entries())
      try {
        this.document = applyEdit(this.document, edit);
      } catch (error) {
        refused.push({ index, problem: (error as Error).message });
      }
    if (refused.length < edits.length) this.revision++;
    const isTold = base !== before || refused.length > 0;
    return { kind: "saved", revision: this.revision, document: isTold ? this.document : null, refused };
  }

  async send(base: number, edits: readonly Edit[]): Promise<SaveAnswer<Promotion>> {
    const doing = this.next;
    await new Promise((resolve) => setTimeout(resolve, 20));
    this.sent.push(edits);
    if (doing === "fail") throw new TypeError("Failed to fetch");
    if (doing === "refuse all") return { kind: "not taken", problem: "not saved: you were signed out." };
    return this.save(base, edits);
  }
}

interface Told {
  readonly saved: (readonly Edit[])[];
  readonly merged: Merged<Promotion>[];
  readonly refused: (readonly string[])[];
  reloads: number;
}

function opened(server: TestServer, isShowable = true): { session: EditSession<Promotion>; told: Told } {
  const told: Told = { saved: [], merged: [], refused: [], reloads: 0 };
  const session = openEditSession<Promotion>(
    {
      apply: applyEdit,
      inverse: inverseOf,
      send: (base, edits) => server.send(base, edits),
      newest: () =>
        server.next === "fail"
          ? Promise.reject(new TypeError("Failed to fetch"))
          : Promise.resolve({ document: server.document, revision: server.revision }),
    },
    { document: server.document, revision: server.revision },
  );
  session.tellTo({
    onSaved: (edits) => told.saved.push(edits),
    onMerged: (merged) => told.merged.push(merged),
    onRefused: (problems) => told.refused.push(problems),
    isShowable: () => isShowable,
    onReload: () => told.reloads++,
  });
  return { session, told };
}

test("typing in one field is shown at once, and saved in one go after a pause", async () => {
  const server = new TestServer();
  const { session, told } = opened(server);
  for (const text of ["P", "Po", "Pot"]) session.apply(words("hook.headline", text));
  expect(textIn(session.state().document, "hook.headline")).toBe("Pot");
  expect(session.state().save).toBe("saving");
  expect(session.isWaiting()).toBe(true);
  await later(440);
  expect(server.sent).toEqual([]);
  await later(100);
  expect(server.sent).toEqual([[words("hook.headline", "Pot")]]);
  expect(session.state().save).toBe("saved");
  expect(session.isWaiting()).toBe(false);
  expect(told.saved).toHaveLength(1);
});

test("who types without a pause is saved all the same", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  for (let index = 0; index < 30; index++) {
    session.apply(words("hook.headline", "x".repeat(index + 1)));
    await later(200);
  }
  expect(server.revision).toBeGreaterThan(2);
  await later(600);
  expect(textIn(server.document, "hook.headline")).toHaveLength(30);
});

test("undo and redo are edits like any other: shown, named and saved; a new one ends what could be done again", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  session.apply(words("hook.headline", "One"));
  await later(1000);
  session.apply(words("hook.headline", "Two"));
  session.apply(rename("Renamed"));
  expect(session.state()).toMatchObject({ undo: "Name", redo: null });
  session.undo();
  session.undo();
  expect(textIn(session.state().document, "hook.headline")).toBe("One");
  expect(session.state()).toMatchObject({ undo: "Fill", redo: "Fill" });
  session.redo();
  expect(textIn(session.state().document, "hook.headline")).toBe("Two");
  session.undo();
  session.undo();
  session.undo();
  expect(session.state()).toMatchObject({ document: testDocument(), undo: null });
  await later(1000);
  expect(server.document).toEqual(testDocument());
  session.apply(rename("Another"));
  expect(session.state().redo).toBeNull();
});

test("what is put in and changed before it is sent is still put in, not changed where there is nothing", async () => {
  const server = new TestServer();
  const { session, told } = opened(server);
  const path = "/fills/hook.headline";
  session.apply({ label: "Fill", patch: [{ op: "add", path, value: { kind: "words", text: "A" } }] });
  session.apply({ label: "Fill", patch: [{ op: "replace", path, value: { kind: "words", text: "AB" } }] });
  await later(600);
  expect(told.refused).toEqual([]);
  expect(textIn(server.document, "hook.headline")).toBe("AB");
  session.undo();
  session.redo();
  await later(600);
  expect(textIn(server.document, "hook.headline")).toBe("AB");
});

test("typing that is followed at once by another kind of step in the same place leaves two steps to undo", () => {
  const { session } = opened(new TestServer());
  session.apply(words("hook.headline", "Typed"));
  session.apply({ ...words("hook.headline", "As it was kept"), label: "Bring back" });
  session.undo();
  expect(textIn(session.state().document, "hook.headline")).toBe("Typed");
});

test("offline, what is done waits and is sent again; nothing is lost, and nothing is sent twice", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  server.next = "fail";
  session.apply(words("hook.headline", "Offline"));
  await later(600);
  expect(session.state().save).toBe("offline");
  session.apply(words("product.line", "Meanwhile"));
  await later(600);
  expect(session.isWaiting()).toBe(true);
  server.next = null;
  await later(3500);
  expect(session.state().save).toBe("saved");
  expect(server.document).toEqual(session.state().document);
  expect(server.revision).toBe(2);
});

test("who is signed out is told, keeps it all, and saves it with the next change", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  server.next = "refuse all";
  session.apply(words("hook.headline", "Typed while signed out"));
  await later(10_000);
  expect(session.state().save).toEqual({ problem: "not saved: you were signed out." });
  expect(server.sent).toHaveLength(1);
  server.next = null;
  session.apply(words("product.line", "Signed in again"));
  await later(600);
  expect(textIn(server.document, "hook.headline")).toBe("Typed while signed out");
  expect(session.state().save).toBe("saved");
});

test("a refusal inside a batch takes back that edit alone, says why, and leaves no undo of it", async () => {
  const server = new TestServer();
  const { session, told } = opened(server);
  // As if somebody took the scene out in the very moment: here it is there, on the server it is not.
  server.document = applyEdit(server.document, takeOutScene("offer"));
  server.revision = 1;
  session.apply(words("hook.headline", "Kept"));
  session.apply({ label: "Order", patch: [{ op: "replace", path: "/scenes/offer/order", value: "Z1" }] });
  session.apply(rename("Kept too"));
  await later(600);
  expect(told.refused).toEqual([["There is no “/scenes/offer” any more."]]);
  expect(session.state().document).toEqual(server.document);
  expect(server.document.name).toBe("Kept too");
  expect(session.state().undo).toBe("Name");
  session.undo();
  expect(session.state().undo).toBe("Fill");
});

test("what another person saves comes in by itself, under what waits here", async () => {
  const server = new TestServer();
  const { session, told } = opened(server);
  session.apply(words("hook.headline", "Mine"));
  server.save(1, [words("product.line", "Theirs")]);
  session.heardOf(2, "Ben");
  await later(1);
  expect(textIn(session.state().document, "product.line")).toBe("Theirs");
  expect(textIn(session.state().document, "hook.headline")).toBe("Mine");
  await later(600);
  expect(server.document).toEqual(session.state().document);
  expect(told.merged.map(({ by, overwritten }) => [by, overwritten])).toEqual([["Ben", []]]);
});

test("what was missed while there was no connection is asked for until it comes", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  server.save(1, [rename("Missed")]);
  server.next = "fail";
  session.catchUp();
  await later(4000);
  expect(session.state().document.name).not.toBe("Missed");
  server.next = null;
  await later(4000);
  expect(session.state().document.name).toBe("Missed");
});

test("what I put in and another put over is told, with what it was, and can be taken back", async () => {
  const server = new TestServer();
  const { session, told } = opened(server);
  session.apply(words("hook.headline", "Mine"));
  await later(600);
  server.save(2, [words("hook.headline", "Theirs")]);
  session.heardOf(3, "Ben");
  await later(1);
  const [lost] = told.merged[0]?.overwritten ?? [];
  expect(lost).toMatchObject({ path: "/fills/hook.headline", mine: { text: "Mine" }, theirs: { text: "Theirs" } });
  session.apply(takenBack(defined(lost)));
  await later(600);
  expect(textIn(server.document, "hook.headline")).toBe("Mine");
});

test("saves that cross on the way merge by place, whoever is first, and both windows end equal", async () => {
  const server = new TestServer();
  const [ada, ben] = [opened(server), opened(server)];
  ada.session.apply(words("hook.headline", "Ada's"));
  ada.session.apply(rename("Ada's"));
  ben.session.apply(words("product.line", "Ben's"));
  ben.session.apply(rename("Ben's"));
  await later(600);
  ada.session.heardOf(server.revision, "Ben");
  ben.session.heardOf(server.revision, "Ada");
  await later(50);
  expect(ada.session.state().document).toEqual(server.document);
  expect(ben.session.state().document).toEqual(server.document);
  expect(server.document).toMatchObject({ name: "Ben's" });
  expect([textIn(server.document, "hook.headline"), textIn(server.document, "product.line")]).toEqual([
    "Ada's",
    "Ben's",
  ]);
  expect(ada.told.merged.flatMap(({ overwritten }) => overwritten.map(({ path }) => path))).toEqual(["/name"]);
});

test("a document that this page can't show is loaded anew; while something waits, that is kept and said", async () => {
  const server = new TestServer();
  const quiet = opened(server, false);
  const busy = opened(server, false);
  busy.session.apply(words("hook.headline", "Unsaved"));
  server.save(1, [rename("On another template")]);
  quiet.session.heardOf(2, "Ben");
  busy.session.heardOf(2, "Ben");
  await later(1);
  expect(quiet.told.reloads).toBe(1);
  expect(busy.told.reloads).toBe(0);
  expect(busy.session.state().save).toEqual({ problem: expect.stringContaining("Load the page again") as unknown });
  expect(textIn(busy.session.state().document, "hook.headline")).toBe("Unsaved");
});

test("what a page with nothing to tell anyone closes on is sent", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  session.apply(rename("On leaving"));
  session.rest();
  await later(30);
  expect(server.document.name).toBe("On leaving");
});

test("when the browser leaves, what waits is sent at once; only what comes after something under way is asked about", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  session.apply(rename("On leaving"));
  expect(session.sendNow()).toBe(true);
  session.apply(rename("And more"));
  expect(session.sendNow()).toBe(false);
  await later(2000);
  expect(server.document.name).toBe("And more");
});

test("undoing what stood in something that another took away is said, and breaks nothing", async () => {
  const server = new TestServer();
  const { session, told } = opened(server);
  session.apply({ label: "Order", patch: [{ op: "replace", path: "/scenes/offer/order", value: "Z1" }] });
  await later(600);
  server.save(2, [takeOutScene("offer")]);
  session.heardOf(3, "Ben");
  await later(1);
  session.undo();
  expect(told.refused).toEqual([["There is no “/scenes/offer” any more."]]);
  await later(600);
  expect(session.state().document).toEqual(server.document);
});

test("hundreds of edits that waited offline go in parts that the server takes, in their order", async () => {
  const server = new TestServer();
  const { session } = opened(server);
  server.next = "fail";
  for (let index = 0; index < 250; index++)
    session.apply(index % 2 === 0 ? rename(`N ${index}`) : words("hook.headline", `H ${index}`));
  await later(600);
  server.next = null;
  await later(8000);
  expect(server.sent.every((edits) => edits.length <= 100)).toBe(true);
  expect(server.document).toEqual(session.state().document);
  expect(server.document.name).toBe("N 248");
});
