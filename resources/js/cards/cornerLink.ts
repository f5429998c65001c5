/** Where a card leads: the code stands behind the address, where no server on the way reads it. */
export const cornerLink = (code: string): string => `${window.location.origin}/practice#${code}`;
