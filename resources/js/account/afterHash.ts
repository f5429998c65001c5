/** What a link carries after its #: it stays in the browser, and no log on the way has it. */
export const afterHash = (): string => window.location.hash.replace(/^#/, '');
