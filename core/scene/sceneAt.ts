import { motionAt } from "../motion/wordMotion";
import { slowZoom } from "../motion/slowZoom";
import { frameAt } from "../time/frames";
import { type DisplayList, type DisplayNode } from "./displayList";
import { clipNode, coverNode } from "./pictureNodes";
import { type PreparedScene, type ScenePart } from "./prepared";

/** A prepared scene at a time in milliseconds from its start. */
export function sceneAt(scene: PreparedScene, time: number): DisplayList {
  return scene.parts.flatMap((part) => partAt(scene, part, time) ?? []);
}

function partAt(scene: PreparedScene, part: ScenePart, time: number): DisplayNode | null {
  switch (part.kind) {
    case "fixed":
      return part.node;
    case "picture":
      return coverNode(part.picture, part.place, slowZoom(time, scene.length, part.outwards));
    case "clip":
      // A clip shorter than its scene holds its last frame.
      return clipNode(part.clip, part.place, Math.min(part.clip.frames - 1, Math.max(0, frameAt(time, part.clip.rate))));
    case "moving": {
      const { alpha, dx, dy, scale } = motionAt(part.motion, time, part.enters, scene.leaves ? scene.length : Infinity);
      if (alpha <= 0) return null;
      if (alpha === 1 && dx === 0 && dy === 0 && scale === 1) return part.atRest;
      const { bounds, children } = part.atRest;
      const about = { x: bounds.x + bounds.width / 2, y: bounds.y + bounds.height / 2 };
      return { kind: "moved", alpha, dx, dy, scale, about, children };
    }
  }
}
