import { type ClipFrame } from "./framePieces";
import { type PlanarModule } from "./planarModule";
import { type PlanesRoom, planesRoom } from "./planesRoom";

/** Where the planes of clips' frames lie in the memory of the module that reads them. */
export interface ClipRoom {
  /** Copies the planes of a frame that is put together. What was placed since `begin` stays. */
  place(frame: ClipFrame): PlanesRoom;
  /** Another frame is put together: what was placed is gone. */
  begin(): void;
}

/** Rooms are used again for frames of the same size and colours. */
export function clipRoom(module: PlanarModule): ClipRoom {
  const rooms: { readonly of: ClipFrame; readonly room: PlanesRoom }[] = [];
  const taken = new Set<PlanesRoom>();
  const isLike = (one: ClipFrame, other: ClipFrame): boolean =>
    one.width === other.width && one.height === other.height && one.table === other.table;

  function roomFor(frame: ClipFrame): PlanesRoom {
    const free = rooms.find(({ of, room }) => isLike(of, frame) && !taken.has(room));
    if (free) return free.room;
    const room = planesRoom(module, frame, frame.table);
    rooms.push({ of: frame, room });
    return room;
  }

  return {
    place(frame) {
      const room = roomFor(frame);
      taken.add(room);
      room.set(frame.planes);
      return room;
    },
    begin: () => taken.clear(),
  };
}
