import { useQuery } from '@tanstack/react-query';
import { type PointerEvent, type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import { knotInSpaceQuery, queryClient } from '../api/queries';
import type { Schemas, Untidiness } from '../api/client';
import { wantsStill } from '../drawing/motion';
import { words } from '../words';
import type { InSpace } from './decode';
import type { Colours, Reach, Stage3d } from './stage3d';
import { RADIAN, SIDE, type Shown, sideOf, swept, type Turn, upright } from './sides';
import { SpaceImage } from './SpaceImage';
import { canDraw } from './webgl';

/** Radians for one press of a key. */
const STEP = Math.PI / 12;

/** Turning by itself: radians a second. */
const SLOWLY = 0.35;

/** A knot and the way it is tied; without one, the first. */
type Placed = { id: string; method: string | null };

/** Fetches ahead what it takes to turn a knot, when nothing else is to be done: it stands there at a tap. */
export function readySpace(knot: Placed): () => void {
  const wait = window.setTimeout(() => {
    if (!canDraw()) return;
    void import('./stage3d').catch(() => undefined);
    void queryClient.query(knotInSpaceQuery(knot.id, knot.method)).catch(() => undefined);
  }, 400);
  return () => clearTimeout(wait);
}

/**
 * A knot as ropes in space, turned with a finger, a mouse or the arrows. Without the means to draw it, the same from one side, turned
 * by the server.
 */
export function SpaceView({
  knot,
  view = 'learner',
  tightness,
  pulled = false,
  untidy = null,
  reach = null,
  step,
  turning = false,
  braided = false,
  shared,
  asked = null,
  className = '',
}: {
  knot: Pick<Schemas['Knot'], 'name' | 'text'> & Placed;
  view?: Schemas['Knot']['view'];
  /** 0 loose, 1 tight; or 0 tight, 1 pulled */
  tightness: number;
  /** whether it is pulled at */
  pulled?: boolean;
  /** the fault in its dressing that it is shown with */
  untidy?: Untidiness | null;
  /** how far the ropes have come, where it is a step that is shown */
  reach?: Reach | null;
  /** that step, from 1, for the picture that the server draws */
  step?: number | undefined;
  /** whether it turns slowly by itself */
  turning?: boolean;
  /** whether the rope is braided; else it is laid of three strands */
  braided?: boolean;
  /** the side that two pictures are turned to together */
  shared?: [Turn, (to: Turn | ((now: Turn) => Turn)) => void];
  /** a side it is to be turned to, once each */
  asked?: Turn | null;
  className?: string;
}) {
  const [flat, setFlat] = useState(() => !canDraw());
  const { data } = useQuery({ ...knotInSpaceQuery(knot.id, knot.method, pulled, untidy), enabled: !flat });
  const own = useState<Turn>(SIDE);
  const [side, setSide] = shared ?? own;
  const [followed, setFollowed] = useState<Turn | null>(null);
  if (asked !== followed) {
    setFollowed(asked);
    if (asked) setSide(asked);
  }
  const drag = useRef<{ x: number; y: number; from: Turn; to: Turn } | null>(null);
  // Where a finger holds it: drawn at once, and only told to React when the finger lets go.
  const heldRef = useRef<Shown | null>(null);
  const redrawRef = useRef<(() => void) | null>(null);
  const box = useRef<HTMLDivElement>(null);
  // Somebody who has turned it wants it to stay so, until it is turned back.
  const [touched, setTouched] = useState(false);
  const turnBy = (yaw: number, pitch: number): void => {
    setTouched(true);
    setSide((now) => ({ yaw: now.yaw + yaw, pitch: upright(now.pitch + pitch) }));
  };
  const back = (): void => {
    setTouched(false);
    setSide(SIDE);
  };
  const press = (event: PointerEvent): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, from: side, to: side };
  };
  const move = (event: PointerEvent): void => {
    const start = drag.current;
    const size = box.current?.clientWidth ?? 1;
    if (!start) return;
    if (Math.hypot(event.clientX - start.x, event.clientY - start.y) > 4) setTouched(true);
    start.to = swept(start, event, size);
    if (shared || !redrawRef.current) {
      setSide(start.to);
      return;
    }
    heldRef.current = sideOf(view, start.to);
    redrawRef.current();
  };
  const letGo = (): void => {
    if (drag.current && heldRef.current) setSide(drag.current.to);
    drag.current = null;
    heldRef.current = null;
  };
  const shown = useMemo(() => sideOf(view, side), [view, side]);
  return (
    <div
      ref={box}
      role="application"
      aria-roledescription={words.space.turnable}
      aria-label={words.space.of({ knot: knot.name })}
      tabIndex={0}
      className={`touch-none cursor-grab outline-offset-4 active:cursor-grabbing ${className}`}
      data-testid="in-space"
      data-side={`${Math.round(side.yaw / RADIAN)} ${Math.round(side.pitch / RADIAN)}`}
      onPointerDown={press}
      onPointerMove={move}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onDoubleClick={back}
      // A finger that turns it does not go on to the next step.
      onTouchStart={(event) => event.stopPropagation()}
      onTouchEnd={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        const by = TURNS[event.key];
        if (!by || event.ctrlKey || event.metaKey || event.altKey) return;
        event.preventDefault();
        event.stopPropagation();
        if (by === 'back') back();
        else turnBy(by[0], by[1]);
      }}
    >
      <p className="sr-only">{knot.text}</p>
      {flat ? (
        <SpaceImage
          knot={knot}
          view={view}
          side={side}
          shown={step === undefined ? { tightness: pulled ? 1 : tightness } : { step }}
          className="absolute inset-0 size-full"
        />
      ) : (
        data && (
          <Canvas
            knot={data}
            mirrored={view === 'left'}
            side={shown}
            heldRef={heldRef}
            redrawRef={redrawRef}
            tightness={tightness}
            reach={reach}
            turning={turning && !touched}
            braided={braided}
            onLost={() => setFlat(true)}
          />
        )
      )}
      {touched && (
        <button
          type="button"
          onClick={back}
          onPointerDown={(event) => event.stopPropagation()}
          className="absolute right-1 bottom-1 inline-flex min-h-12 items-center rounded-full border border-line bg-card px-4 text-sm font-semibold"
        >
          {words.space.back}
        </button>
      )}
    </div>
  );
}

const TURNS: Record<string, readonly [number, number] | 'back'> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
  '0': 'back',
};

/** The picture itself: what is needed to draw it is fetched when the first is wanted. */
function Canvas({
  knot,
  mirrored,
  side,
  heldRef,
  redrawRef,
  tightness,
  reach,
  turning,
  braided,
  onLost,
}: {
  knot: InSpace;
  mirrored: boolean;
  side: Shown;
  /** the side a finger holds it at, and how to have it drawn there */
  heldRef: RefObject<Shown | null>;
  redrawRef: RefObject<(() => void) | null>;
  tightness: number;
  reach: Reach | null;
  turning: boolean;
  braided: boolean;
  onLost: () => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [stage, setStage] = useState<Stage3d | null>(null);
  const lost = useRef(onLost);
  useEffect(() => {
    lost.current = onLost;
  });
  useEffect(() => {
    let made: Stage3d | null = null;
    let gone = false;
    void import('./stage3d')
      .then(({ Stage3d }) => {
        if (gone || !canvas.current) return;
        made = new Stage3d(canvas.current, knot, mirrored, braided, () => lost.current());
        setStage(made);
      })
      .catch(() => lost.current());
    return () => {
      gone = true;
      setStage(null);
      made?.end();
    };
  }, [knot, mirrored, braided]);
  const spun = useRef(0);
  const draw = useRef<() => void>(() => undefined);
  // Drawn anew at each change: a few numbers for the graphics card, and nothing else.
  useEffect(() => {
    if (!stage) return;
    draw.current = () => {
      const { yaw, pitch, roll } = heldRef.current ?? side;
      stage.turn(yaw + spun.current, pitch, roll);
      stage.draw();
    };
    redrawRef.current = draw.current;
    stage.tighten(tightness);
    stage.show(reach);
    draw.current();
    return () => {
      redrawRef.current = null;
    };
  }, [stage, side, heldRef, redrawRef, tightness, reach]);
  // Its size and its colours, as they change.
  useEffect(() => {
    if (!stage || !canvas.current) return undefined;
    const fit = (): void => {
      const at = canvas.current?.getBoundingClientRect();
      if (at) stage.size(at.width, at.height);
      draw.current();
    };
    const dress = (): void => {
      stage.colour(coloursNow());
      draw.current();
    };
    dress();
    fit();
    const sizes = new ResizeObserver(fit);
    sizes.observe(canvas.current);
    const scheme = new MutationObserver(dress);
    scheme.observe(document.documentElement, { attributes: true, attributeFilter: ['data-scheme', 'class'] });
    return () => {
      sizes.disconnect();
      scheme.disconnect();
    };
  }, [stage]);
  useEffect(() => {
    if (!stage || !turning || wantsStill()) return undefined;
    let frame = 0;
    let before: number | null = null;
    const spin = (now: number): void => {
      spun.current += (SLOWLY * (now - (before ?? now))) / 1000;
      before = now;
      draw.current();
      frame = requestAnimationFrame(spin);
    };
    frame = requestAnimationFrame(spin);
    return () => cancelAnimationFrame(frame);
  }, [stage, turning]);
  return <canvas ref={canvas} aria-hidden className="absolute inset-0 size-full" data-ready={stage ? 'yes' : 'no'} />;
}

/** The drawing's own colours, as they are in this light. */
function coloursNow(): Colours {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  return {
    line: of('rope-line'),
    whipping: of('whipping'),
    wood: of('wood'),
    grain: of('grain'),
    tracer: of('tracer'),
    ropes: [of('rope-1'), of('rope-2')],
  };
}
