import { type ComponentType, lazy } from 'react';

/** A page whose script is fetched when it is wanted; the worker keeps all of them for a device without a network. */
export function page<Name extends string, Props extends object = object>(
  load: () => Promise<Record<Name, ComponentType<Props>>>,
  name: Name,
) {
  return lazy(async () => ({ default: (await load())[name] }));
}
