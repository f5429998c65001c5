let known: boolean | null = null;

/** Whether this device can draw in space; asked once. */
export function canDraw(): boolean {
  known ??= (() => {
    try {
      return document.createElement('canvas').getContext('webgl2') !== null;
    } catch {
      return false;
    }
  })();
  return known;
}
