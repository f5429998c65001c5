/** How a link that stands by itself looks: tall enough for a cold thumb, underlined in hemp. */
export const LINK =
  'inline-flex min-h-12 items-center gap-2 font-semibold underline decoration-hemp decoration-2 underline-offset-4';
