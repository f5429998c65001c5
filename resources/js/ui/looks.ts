/** How parts look that are drawn in two ways: by React, and by the sign-in before React is there. */
export const LOOKS = {
  doorway: 'grid min-h-dvh rail:grid-cols-[1fr_1.1fr]',
  doorwayRope: 'relative hidden overflow-hidden bg-wash rail:block',
  doorwayPage: 'mx-auto flex w-full max-w-md flex-col justify-center gap-6 px-6 py-10',
  doorwayApp: 'mb-6 font-display text-xl font-bold text-hemp-deep',
  doorwayTitle: 'mb-2 text-4xl text-balance',
  form: 'flex flex-col gap-4',
  field: 'flex flex-col gap-1',
  label: 'font-semibold',
  box: 'min-h-12 w-full rounded-lg border border-soft bg-card px-3 py-2 text-ink placeholder:text-soft',
  button: 'inline-flex min-h-12 items-center justify-center gap-2 rounded-lg px-4 font-semibold disabled:opacity-50',
  signal: 'bg-signal text-on-signal hover:brightness-110',
  faults: 'rounded-lg border-l-4 border-notyet bg-wash px-4 py-3',
};

const ROPE = 'M260 -40C260 120 180 190 180 330C180 470 400 480 400 330C400 200 210 250 230 470C245 620 330 640 330 900';

/** The rope, or the stretch of it that lies over the rest: inside it each line ends later, so that no edge shows. */
const rope = (
  dash: (inset: number) => string,
): string => `<path d="${ROPE}" stroke="var(--rope-line)" stroke-width="54" ${dash(0.4)} />
<path d="${ROPE}" stroke="var(--rope-1)" stroke-width="45" ${dash(0)} />
<path d="${ROPE}" stroke="var(--rope-1-light)" stroke-width="15" transform="translate(-7 -7)" ${dash(-0.9)} />`;

const stretch = (from: number, to: number) => (inset: number) =>
  `pathLength="100" stroke-dasharray="0 ${from + inset} ${to - from - 2 * inset} 100"`;

/** A length of rope that hangs beside the screens before the sign-in. */
export const HANGING_ROPE = `<svg viewBox="0 0 560 800" class="absolute inset-0 size-full" preserveAspectRatio="xMidYMid slice" fill="none">
${rope(() => '')}
${rope(stretch(54, 80))}
</svg>`;
