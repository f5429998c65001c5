/** Where a practice card leads: the code stands behind the address, where no server on the way reads it. */
export const cornerLink = (code: string): string => `${window.location.origin}/practice#${code}`;

/** What a card's holder asks with: the code travels in a header, and is written down nowhere. */
export const byCode = (code: string): Record<string, string> => ({ 'X-Practice': code });
