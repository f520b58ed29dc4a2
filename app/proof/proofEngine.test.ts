import { jest } from "@jest/globals";
import { testDocument, testFacts } from "../../core/testing/promotions";
import { type ProofEngine, openProofEngine } from "./proofEngine";
import { type StageNews, type ToStage } from "./proofMessages";
import { type Proofs } from "./proofs";
import { AS_MIXED } from "../../core/sound/finish";

/** Lets the page's frames and clock be moved by hand. */
let frames: ((now: number) => void)[] = [];
Object.assign(globalThis, {
  devicePixelRatio: 2,
  requestAnimationFrame: (callback: (now: number) => void) => frames.push(callback),
  ResizeObserver: class {
    observe = (): void => undefined;
    unobserve = (): void => undefined;
    disconnect = (): void => undefined;
  },
});
function frameAt(now: number): void {
  const due = frames;
  frames = [];
  due.forEach((callback) => callback(now));
}

interface TestProofs extends Proofs {
  readonly told: ToStage[];
  say: (news: StageNews) => void;
}
function testProofs(): TestProofs {
  const told: ToStage[] = [];
  const proofs: TestProofs = {
    told,
    say: () => undefined,
    tell: (_, message) => void told.push(message),
    listen(_, listener) {
      proofs.say = listener;
      return () => (proofs.say = () => undefined);
    },
  };
  return proofs;
}

const prepared = (time: number, length = 15_000): StageNews => ({
  kind: "prepared",
  sheets: [],
  findings: [],
  mix: { track: [], length, finish: AS_MIXED },
  length,
  time,
});
const FRAME = 1000 / 30;

let proofs: TestProofs;
let engine: ProofEngine;
beforeEach(() => {
  frames = [];
  jest.spyOn(performance, "now").mockReturnValue(1000);
  proofs = testProofs();
  engine = openProofEngine(proofs);
});
afterEach(() => {
  engine.close();
  jest.restoreAllMocks();
});
const last = (): ToStage | undefined => proofs.told.at(-1);

test("until somebody goes anywhere, the first scene is shown settled, where the worker says that is", () => {
  engine.show(testDocument(), testFacts());
  expect(last()).toMatchObject({ kind: "show", rest: { scene: 0 } });
  proofs.say(prepared(2100));
  expect(engine.state()).toMatchObject({ time: 2100, length: 15_000, playing: false });
});

test("facts are told once, and again when they change; the document each time", () => {
  const facts = testFacts();
  engine.show(testDocument(), facts);
  engine.show(testDocument({ name: "Other" }), facts);
  expect(last()).toMatchObject({ document: { name: "Other" }, facts: undefined });
  const document = testDocument();
  engine.show(document, testFacts());
  expect(last()).toMatchObject({ facts: { brand: { name: "Quillfern" } } });
});

test("what is shown already is not told again", () => {
  const [document, facts] = [testDocument(), testFacts()];
  engine.show(document, facts);
  const told = proofs.told.length;
  engine.show(document, facts);
  expect(proofs.told).toHaveLength(told);
  engine.show({ ...document }, facts);
  expect(proofs.told).toHaveLength(told + 1);
});

test("it plays from the start at first, keeps the time by the clock, and stands on a whole frame when held", () => {
  engine.show(testDocument(), testFacts());
  proofs.say(prepared(2100));
  engine.play();
  expect(last()).toEqual({ kind: "play", from: 0, at: performance.timeOrigin + 1000 });
  frameAt(1000 + 740);
  expect(engine.state()).toMatchObject({ time: 740, playing: true });
  engine.pause();
  expect(engine.state().time).toBeCloseTo(22 * FRAME, 9);
  expect(last()).toEqual({ kind: "rest", rest: { time: engine.state().time } });
  frameAt(5000);
  expect(engine.state().time).toBeCloseTo(22 * FRAME, 9);
});

test("at the end it stands on the last frame, and plays from the start again", () => {
  proofs.say(prepared(0));
  engine.seek(14_000);
  engine.play();
  frameAt(1000 + 2000);
  expect(engine.state()).toMatchObject({ playing: false });
  expect(engine.state().time).toBeCloseTo(449 * FRAME, 9);
  engine.play();
  expect(last()).toMatchObject({ kind: "play", from: 0 });
});

test("going elsewhere while it plays goes on from there; steps are of whole frames, and hold", () => {
  proofs.say(prepared(0));
  engine.seek(1000);
  engine.play();
  engine.seek(9000);
  expect(last()).toMatchObject({ kind: "play", from: 9000 });
  frameAt(1000 + 100);
  expect(engine.state().time).toBe(9100);
  engine.step(1);
  expect(engine.state().playing).toBe(false);
  expect(engine.state().time).toBeCloseTo(274 * FRAME, 9);
  engine.step(-30);
  expect(engine.state().time).toBeCloseTo(244 * FRAME, 9);
});

test("what was prepared for an earlier moment does not take the time back; a shorter promotion does", () => {
  proofs.say(prepared(2100));
  engine.seek(12_000);
  proofs.say(prepared(2100));
  expect(engine.state().time).toBeCloseTo(12_000, 6);
  proofs.say(prepared(2100, 8000));
  expect(engine.state().time).toBeCloseTo(239 * FRAME, 9);
});

test("a frame is given to who asked for it; one that can't be painted is refused with the reason", async () => {
  const [one, other] = [engine.frame("square", "1080p"), engine.frame("vertical", "480p")];
  const asks = proofs.told.flatMap((message) => (message.kind === "frame" ? [message.ask] : []));
  const blob = new Blob(["png"]);
  proofs.say({ kind: "frame", ask: asks[1] ?? -1, blob: null, reason: "The proof is not there yet." });
  proofs.say({ kind: "frame", ask: asks[0] ?? -1, blob, reason: "" });
  await expect(one).resolves.toBe(blob);
  await expect(other).rejects.toThrow("The proof is not there yet.");
});

test("a canvas is told with its size in pixels; what goes wrong is said, and gone with the next that is prepared", () => {
  const canvas = { getBoundingClientRect: () => ({ width: 100.2, height: 50 }) } as HTMLCanvasElement;
  engine.attach("square", canvas);
  expect(last()).toEqual({ kind: "size", format: "square", size: { width: 200, height: 100 } });
  engine.attach("square", null);
  expect(last()).toEqual({ kind: "size", format: "square", size: null });
  proofs.say({ kind: "failed", reason: "A picture could not be fetched (500)." });
  expect(engine.state().problem).toBe("A picture could not be fetched (500).");
  proofs.say(prepared(0));
  expect(engine.state().problem).toBeNull();
});

test("nothing is heard any more once it is closed", () => {
  const { say } = proofs;
  engine.close();
  say(prepared(4000));
  expect(engine.state().length).toBe(0);
  expect(last()).toEqual({ kind: "close" });
});

test("a stretch is played again and again, from its start where the head is elsewhere, until it is let go", () => {
  proofs.say(prepared(0));
  engine.repeat({ from: 4000, to: 6000 });
  engine.seek(9000);
  engine.play();
  expect(proofs.told.at(-1)).toMatchObject({ kind: "play", from: 4000 });
  frameAt(1000 + 1500);
  expect(engine.state().time).toBe(5500);
  frameAt(1000 + 2000);
  expect(engine.state()).toMatchObject({ time: 4000, playing: true });
  expect(proofs.told.filter(({ kind }) => kind === "play")).toHaveLength(2);
  engine.repeat(null);
  frameAt(1000 + 2500);
  expect(engine.state().time).toBe(6500);
});
