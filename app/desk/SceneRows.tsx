import {
  type Announcements,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { type ReactNode, type RefObject, useState } from "react";
import { flushSync } from "react-dom";
import { sceneOrigin } from "../../core/document/design";
import { adjust, moveScene } from "../../core/document/edits";
import { itemOfKey } from "../../core/document/itemKey";
import { scenesInOrder } from "../../core/document/sceneList";
import { type WordMeasures, wordMeasures } from "../../core/preflight/wordMeasures";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type DeckProps } from "./deckProps";
import { RowsInView } from "./RowsInView";
import { SceneBand } from "./SceneBand";
import { useLaterDeck } from "./useLaterDeck";

/** How far the pointer goes before it carries a scene, in pixels. */
const CARRIES_FROM = 6;

interface SceneRow {
  readonly id: string;
  readonly name: string;
  /** Where it stands among the scenes that are shown, from 0; null where it is skipped. */
  readonly shown: number | null;
}

/** The scenes of the sheet, each a row: only those in view are there, and each can be carried to another place. */
export function SceneRows({ deck, scroller }: { deck: DeckProps; scroller: RefObject<HTMLDivElement | null> }) {
  const { document, promotion, prepared, marked, onEdit } = deck;
  const [inHand, setInHand] = useState<string | null>(null);
  const later = useLaterDeck(deck, inHand);
  // Not all that can be pressed takes the focus, and what something is dropped on never does. What is done in a scene starts
  // from the promotion as it is, not from what the scene was drawn from some time ago.
  const takeInHand = (id: string): void => {
    if (id !== inHand) flushSync(() => setInHand(id));
  };
  const rows = scenesInOrder(document).map((scene): SceneRow => {
    const shown = promotion.scenes.findIndex(({ id }) => id === scene.id);
    const { name } = sceneOrigin(promotion.facts.templates, scene);
    return { id: scene.id, name, shown: shown < 0 ? null : shown };
  });
  // Whoever writes in a scene goes on writing in it, however far the sheet is scrolled.
  const markedIn = marked && document.items[itemOfKey(marked) ?? ""]?.from;
  const kept = rows.findIndex(({ id }) => id === markedIn || marked?.startsWith(`${id}.`));
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: CARRIES_FROM } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const measures = wordMeasures(prepared);
  const laterMeasures = wordMeasures(later.prepared);
  const ids = rows.map(({ id }) => id);
  const drop = ({ active, over }: DragEndEvent): void => {
    const to = over ? ids.indexOf(String(over.id)) : -1;
    if (to >= 0 && over?.id !== active.id) onEdit(moveScene(document, String(active.id), to));
  };
  const named = (id: unknown): string => rows.find((row) => row.id === id)?.name ?? "The scene";
  const placeOf = (id: unknown): string => `place ${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `“${named(active.id)}” was taken up. It stands at ${placeOf(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `“${named(active.id)}” is over ${placeOf(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => `“${named(active.id)}” was put down at ${placeOf((over ?? active).id)}.`,
    onDragCancel: ({ active }) => `“${named(active.id)}” stays where it was.`,
  };
  return (
    <DndContext
      id="scenes"
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ announcements, screenReaderInstructions: INSTRUCTIONS }}
      onDragEnd={drop}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <RowsInView ids={ids} kept={kept} scroller={scroller} onFocus={setInHand} onTouch={takeInHand}>
          {(index) => {
            const row = rows[index];
            // What is typed in a scene is drawn at once there.
            const isInHand = row?.id === inHand;
            return (
              row && (
                <CarriedScene deck={isInHand ? deck : later} row={row} measures={isInHand ? measures : laterMeasures} />
              )
            );
          }}
        </RowsInView>
      </SortableContext>
    </DndContext>
  );
}

const INSTRUCTIONS = {
  draggable: "Press the space bar to take the scene up, the arrow keys to move it, the space bar again to put it down.",
};

function CarriedScene({
  deck,
  row,
  measures,
}: {
  deck: DeckProps;
  row: SceneRow;
  measures: ReadonlyMap<SlotKey, WordMeasures>;
}) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: row.id,
  });
  const scene = row.shown === null ? undefined : deck.promotion.scenes[row.shown];
  const span = row.shown === null ? undefined : deck.promotion.spans[row.shown];
  const handle = (
    <button
      type="button"
      ref={setActivatorNodeRef}
      {...attributes}
      {...listeners}
      aria-label={`Move the scene ${row.name}`}
      title="Drag to another place"
      className="cursor-grab touch-none px-1 font-heading text-[24px] leading-none font-extrabold hover:text-accent active:cursor-grabbing"
    >
      {row.shown === null ? "–" : row.shown + 1}
    </button>
  );
  return (
    <div
      ref={setNodeRef}
      // Sideways there is nowhere to go.
      style={{ transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined, transition }}
      className={isDragging ? "relative z-10 bg-card shadow-xl" : ""}
    >
      {scene && span && row.shown !== null ? (
        <SceneBand deck={deck} scene={scene} span={span} index={row.shown} handle={handle} measures={measures} />
      ) : (
        <SkippedBand deck={deck} row={row} handle={handle} />
      )}
    </div>
  );
}

/** A scene that is left out for now: all that is in it waits. */
function SkippedBand({
  deck: { free, document, promotion, onEdit },
  row,
  handle,
}: {
  deck: DeckProps;
  row: SceneRow;
  handle: ReactNode;
}) {
  const own = document.scenes[row.id];
  const isLocked = !free && own !== undefined && !sceneOrigin(promotion.facts.templates, own).allows.remove;
  const show = (): void =>
    onEdit(adjust("skipped", document.adjustments[row.id]?.skipped ? null : false, { target: { scene: row.id } }));
  return (
    <section
      aria-label={`${row.name}, skipped`}
      className="flex items-center gap-4 border-b border-l-4 border-b-rule border-l-transparent bg-[#efe9dc] px-4 py-2"
    >
      <div className="w-[58px] shrink-0 text-right text-soft">{handle}</div>
      <p className="min-w-0 flex-1 truncate text-soft">
        <span className="font-semibold text-ink">{row.name}</span> · skipped
      </p>
      <button type="button" disabled={isLocked} onClick={show} className="text-[13.5px] underline hover:text-accent">
        Show again
      </button>
    </section>
  );
}
