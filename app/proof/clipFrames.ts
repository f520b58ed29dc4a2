import { type ClipFacts, type Facts } from "../../core/document/facts";
import { type ClipNode } from "../../core/scene/displayList";
import { type DecodedFrame } from "../../paint/resources";
import { type ClipDecoder } from "./clipDecoder";

/** The frames of the clips that a stage shows: each use of a clip has its own. */
export interface ClipFrames {
  readonly image: (node: ClipNode) => DecodedFrame | null;
  /** Asks for the frames of some nodes, without waiting. */
  readonly want: (nodes: readonly ClipNode[]) => void;
  /** Whether each of these frames, or the one beside it, is here. */
  readonly areNear: (nodes: readonly ClipNode[]) => boolean;
  /** Resolves when exactly these frames are here. */
  readonly exact: (nodes: readonly ClipNode[]) => Promise<void>;
  readonly close: () => void;
}

/** @param open opens a decoder for a use of a clip @param factsOf gives what is known of media now */
export function openClipFrames(
  open: (clip: ClipFacts, use: string) => ClipDecoder,
  factsOf: () => Facts | null,
): ClipFrames {
  const decoders = new Map<string, ClipDecoder>();
  /** Uses that were asked for last: others are not on screen any more. */
  let inUse = new Set<string>();

  /** One whose file was replaced is decoded anew. */
  const keyOf = ({ use, media }: ClipNode): string => `${use}/${media}/${factsOf()?.media[media]?.version ?? ""}`;

  function decoderOf(node: ClipNode): ClipDecoder | null {
    const { use, media } = node;
    const key = keyOf(node);
    const known = decoders.get(key);
    if (known) return known;
    const clip = factsOf()?.media[media];
    if (clip?.kind !== "clip") return null;
    const decoder = open(clip, use);
    decoders.set(key, decoder);
    return decoder;
  }

  /** What was not on screen this time nor the time before is let go of. */
  function letGo(nodes: readonly ClipNode[]): void {
    const now = new Set(nodes.map(keyOf));
    for (const [key, decoder] of decoders)
      if (!now.has(key) && !inUse.has(key)) {
        decoder.close();
        decoders.delete(key);
      }
    inUse = now;
  }

  return {
    image: (node) => decoderOf(node)?.image() ?? null,
    want(nodes) {
      letGo(nodes);
      for (const node of nodes) decoderOf(node)?.want(node.frame);
    },
    areNear: (nodes) => nodes.every((node) => decoderOf(node)?.isNear(node.frame) ?? true),
    async exact(nodes) {
      letGo(nodes);
      await Promise.all(nodes.map(async (node) => decoderOf(node)?.exact(node.frame)));
    },
    close() {
      decoders.forEach((decoder) => decoder.close());
      decoders.clear();
    },
  };
}
