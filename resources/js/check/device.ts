import { finger_mm } from '../api/limits';

/** The length of a bank card, in mm (ISO/IEC 7810, ID-1): what a screen is set against. */
export const CARD_MM = 85.6;

/** How many CSS pixels this device's screen has to a millimetre. */
export type Scale = { pixels: number };

const SCALE = 'compadre-pixels-per-mm';
const FINGER = 'compadre-finger-mm';

export function scaleOf(): Scale | null {
  const pixels = Number(localStorage.getItem(SCALE));
  return pixels > 0 ? { pixels } : null;
}

export function keepScale(cardPixels: number): Scale {
  const pixels = cardPixels / CARD_MM;
  localStorage.setItem(SCALE, String(pixels));
  return { pixels };
}

/** A leader's own finger width in mm, as measured on this device; a usual finger until then. */
export function fingerMm(): number {
  const own = Number(localStorage.getItem(FINGER));
  return own > 0 ? own : finger_mm.usual;
}

export const keepFinger = (mm: number): void => localStorage.setItem(FINGER, String(mm));
