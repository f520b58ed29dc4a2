import { type Placement, placementById } from "../../core/placement/placements";

/** A channel that is simulated, and the places it has. All of it is made up. */
export interface SimulatedChannel {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  readonly placements: readonly Placement[];
}

const channel = (id: string, title: string, about: string, places: readonly string[]): SimulatedChannel => ({
  ...{ id, title, about },
  placements: places.flatMap((place) => placementById(place) ?? []),
});

export const CHANNELS: readonly SimulatedChannel[] = [
  channel("plaza", "Plaza", "a feed", ["square-feed", "square-card", "portrait-feed", "vertical-day", "story-still"]),
  channel("tallview", "Tallview", "vertical, full screen", ["vertical-full-screen", "vertical-short"]),
  channel("lantern", "Lantern", "a widescreen player", ["widescreen-player", "in-stream"]),
];
