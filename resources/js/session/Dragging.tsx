import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { type ComponentProps, type ReactNode, useState } from 'react';
import { createPortal } from 'react-dom';
import { StationCard } from '../course/StationCard';

const CHIP = 'inline-flex min-h-11 items-center gap-1 rounded-lg border bg-wash pe-3 ps-1 font-semibold';

/** Who cannot drag has the menu; what a reader of the page aloud would hear of dragging is of no use to them. */
const UNHEARD = {
  announcements: {
    onDragStart: () => undefined,
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => undefined,
  },
  screenReaderInstructions: { draggable: '' },
  restoreFocus: false,
};

/** Stations between which names are dragged: with a mouse at once, with a finger after it has rested on one, so that the page still scrolls. */
export function DragBetween({
  people,
  onMove,
  children,
}: {
  people: Record<string, string>;
  onMove: (learner: string, knot: string) => void;
  children: ReactNode;
}) {
  const [dragged, setDragged] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 220, tolerance: 8 } }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(null);
    const to: unknown = over?.data.current?.knot;
    if (typeof to === 'string' && to !== active.data.current?.knot) onMove(String(active.id), to);
  };
  return (
    <DndContext
      sensors={sensors}
      accessibility={UNHEARD}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragEnd={drop}
      onDragCancel={() => setDragged(null)}
    >
      {children}
      {createPortal(
        <DragOverlay dropAnimation={null}>
          {dragged !== null && (
            <span className={`${CHIP} cursor-grabbing border-signal shadow-lg`}>
              <GripVertical aria-hidden className="size-4 text-soft" /> {people[dragged]}
            </span>
          )}
        </DragOverlay>,
        document.body,
      )}
    </DndContext>
  );
}

/** A station that names are dragged from and to. */
export function OpenStation({ number, ...card }: ComponentProps<typeof StationCard> & { number: number }) {
  const { knot, learners } = card.station;
  const { setNodeRef, isOver, active } = useDroppable({ id: number, data: { knot } });
  return (
    <StationCard
      {...card}
      number={number}
      frame={setNodeRef}
      takes={isOver && active?.data.current?.knot !== knot}
      chips={
        learners.length > 0 && (
          <span aria-hidden className="mt-1 flex flex-wrap gap-1.5 print:hidden">
            {learners.map((one) => (
              <Chip key={one} learner={one} knot={knot} name={card.people[one] ?? ''} />
            ))}
          </span>
        )
      }
    />
  );
}

function Chip({ learner, knot, name }: { learner: string; knot: string | null; name: string }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: learner, data: { knot } });
  return (
    <span
      ref={setNodeRef}
      data-testid="chip"
      {...listeners}
      className={`${CHIP} cursor-grab touch-manipulation border-line select-none ${isDragging ? 'opacity-40' : ''}`}
    >
      <GripVertical className="size-4 text-soft" /> {name}
    </span>
  );
}
