import { type Pixels } from "./framePieces";
import { type PlanarModule } from "./planarModule";

/** Where the pixels of pictures lie in the memory of the module that reads them. */
export interface PictureRoom {
  /** Gives where pixels lie, for the frame that is put together: copied there when they are not yet. */
  place(pixels: Pixels): number;
  /** A frame begins. */
  begin(): void;
}

/** So many pictures are kept, the last that were drawn; more while a frame has more. */
const MOST_KEPT = 4;
/** A row of pixels may be read so many bytes beyond its end. */
const SLACK = 64;

interface Room {
  readonly at: number;
  readonly bytes: number;
}

/** Pictures are copied once. */
export function pictureRoom(module: PlanarModule): PictureRoom {
  /** The longest unused first. */
  let kept: { readonly pixels: Pixels; readonly room: Room }[] = [];
  /** The pictures of this frame. */
  const shown = new Set<Pixels>();

  const roomFor = (bytes: number): Room => ({ at: module.addRoom(bytes + SLACK), bytes });

  /** Copies a picture: in place of the longest unused one that has as much room, but never of one of this frame. */
  function keep(pixels: Pixels): Room {
    const { length } = pixels.bytes;
    const unused = kept.length < MOST_KEPT ? [] : kept.filter((other) => !shown.has(other.pixels));
    const freed = unused.find(({ room }) => room.bytes >= length);
    const gone = freed ?? unused[0];
    kept = kept.filter((other) => other !== gone);
    const room = freed?.room ?? roomFor(length);
    module.memory.set(pixels.bytes, room.at);
    return room;
  }

  function place(pixels: Pixels): number {
    const known = kept.find((other) => other.pixels === pixels);
    const room = known?.room ?? keep(pixels);
    kept = [...kept.filter((other) => other !== known), { pixels, room }];
    shown.add(pixels);
    return room.at;
  }

  return {
    place,
    begin: () => shown.clear(),
  };
}
