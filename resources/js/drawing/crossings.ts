/** A line as points; where two lines meet, one is on top. */
export type Line = {
  id: string;
  points: number[][];
  /** what holds a loop open: over everything before its middle point, under everything after it */
  holds?: boolean;
};

/** Where two lines meet, or one meets itself: the place along each, in points and parts of a step; the later line is `second`. */
export type Meeting = {
  first: number;
  firstAt: number;
  second: number;
  secondAt: number;
  at: [number, number];
  /** whether the first is on top */
  firstOver: boolean;
  /** nobody may change it: the line that holds a loop is not drawn */
  fixed: boolean;
};

/** Points nearer to each other than this are one, in rope widths. */
const STEP = 0.35;

/** A line followed by a finger: without its tremble, and with its points a step apart. */
export function steady(points: number[][]): number[][] {
  const even = resampled(points, STEP);
  // Each point becomes the mean of its neighbours, three times over: corners of a tremble go, bends stay.
  let smooth = even;
  for (let turn = 0; turn < 3; turn++) {
    const from = smooth;
    smooth = from.map(([x = 0, y = 0], n) => {
      const [a = x, b = y] = from[n - 1] ?? [];
      const [c = x, d = y] = from[n + 1] ?? [];
      return n === 0 || n === from.length - 1 ? [x, y] : [(a + x + c) / 3, (b + y + d) / 3];
    });
  }
  return smooth;
}

function resampled(points: number[][], step: number): number[][] {
  const [first] = points;
  if (!first) return [];
  const found = [first];
  let [x = 0, y = 0] = first;
  let left = step;
  for (const [toX = 0, toY = 0] of points.slice(1)) {
    let far = Math.hypot(toX - x, toY - y);
    while (far >= left) {
      x += ((toX - x) * left) / far;
      y += ((toY - y) * left) / far;
      found.push([x, y]);
      far -= left;
      left = step;
    }
    left -= far;
    [x, y] = [toX, toY];
  }
  const [endX = 0, endY = 0] = points.at(-1) ?? [];
  const [lastX = 0, lastY = 0] = found.at(-1) ?? [];
  if (Math.hypot(endX - lastX, endY - lastY) > 1e-6) found.push([endX, endY]);
  return found;
}

/** Everywhere lines meet, in the order in which the lines are followed. What was laid later lies on top, until it is said otherwise. */
export function meetings(lines: Line[]): Meeting[] {
  const found: Meeting[] = [];
  lines.forEach((line, second) => {
    lines.slice(0, second + 1).forEach((other, first) => found.push(...between(other, first, line, second)));
  });
  return found.sort((a, b) => a.first - b.first || a.firstAt - b.firstAt);
}

function between(a: Line, first: number, b: Line, second: number): Meeting[] {
  const found: Meeting[] = [];
  for (let i = 0; i + 1 < a.points.length; i++) {
    for (let j = first === second ? i + 2 : 0; j + 1 < b.points.length; j++) {
      const cut = crossing(a.points[i], a.points[i + 1], b.points[j], b.points[j + 1]);
      if (cut) {
        const secondAt = j + cut.second;
        found.push({
          first,
          firstAt: i + cut.first,
          second,
          secondAt,
          at: cut.at,
          firstOver: b.holds ? secondAt >= 1 : a.holds === true && i + cut.first < 1,
          fixed: a.holds === true || b.holds === true,
        });
      }
    }
  }
  return found;
}

/** Where two steps cross, and how far along each; a step's own end belongs to the next one. */
function crossing(
  a: number[] | undefined,
  b: number[] | undefined,
  c: number[] | undefined,
  d: number[] | undefined,
): { first: number; second: number; at: [number, number] } | null {
  const [ax = 0, ay = 0] = a ?? [];
  const [bx = 0, by = 0] = b ?? [];
  const [cx = 0, cy = 0] = c ?? [];
  const [dx = 0, dy = 0] = d ?? [];
  const turn = (bx - ax) * (dy - cy) - (by - ay) * (dx - cx);
  if (turn === 0) return null;
  const first = ((cx - ax) * (dy - cy) - (cy - ay) * (dx - cx)) / turn;
  const second = ((cx - ax) * (by - ay) - (cy - ay) * (bx - ax)) / turn;
  if (first < 0 || first >= 1 || second < 0 || second >= 1) return null;
  return { first, second, at: [ax + first * (bx - ax), ay + first * (by - ay)] };
}

export type Told = {
  /** by line, in order of travel: a crossing, and whether the line is on top */
  visits: Record<string, [number, boolean][]>;
  /** by crossing: +1 where the upper line runs from left to right of one who follows the lower, else -1 */
  turns: (1 | -1)[];
  /** the same for every numbering of the crossings */
  key: string;
  /** the crossings by when they are first met */
  met: number[];
};

/** What was drawn, without its measures: strand by strand over and under, as the engine takes it. */
export function told(lines: Line[], found: Meeting[]): Told {
  const visits: Record<string, [number, boolean][]> = {};
  lines.forEach((line, number) => {
    visits[line.id] = found
      .flatMap((one, crossing): [number, [number, boolean]][] => [
        ...(one.first === number ? [[one.firstAt, [crossing, one.firstOver]] as [number, [number, boolean]]] : []),
        ...(one.second === number ? [[one.secondAt, [crossing, !one.firstOver]] as [number, [number, boolean]]] : []),
      ])
      .sort(([a], [b]) => a - b)
      .map(([, visit]) => visit);
  });
  const turns = found.map((one) => {
    const [ax, ay] = direction(lines[one.first], one.firstAt);
    const [bx, by] = direction(lines[one.second], one.secondAt);
    const turn = one.firstOver ? ax * by - ay * bx : bx * ay - by * ax;
    // Downward is positive on a screen.
    return turn < 0 ? 1 : -1;
  });
  const label = new Map<number, number>();
  const words = lines.map((line) =>
    (visits[line.id] ?? [])
      .map(([crossing, over]) => {
        if (!label.has(crossing)) label.set(crossing, label.size);
        return `${label.get(crossing)}${over ? 'o' : 'u'}`;
      })
      .join(''),
  );
  const met = [...label.keys()];
  const sides = met.map((crossing) => ((turns[crossing] ?? 0) > 0 ? '+' : '-')).join('');
  return { visits, turns, key: `${words.join('|')} ${sides}`, met };
}

function direction(line: Line | undefined, at: number): [number, number] {
  const step = Math.floor(at);
  const [ax = 0, ay = 0] = line?.points[step] ?? [];
  const [bx = 0, by = 0] = line?.points[step + 1] ?? [];
  return [bx - ax, by - ay];
}
