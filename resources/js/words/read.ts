import { IntlMessageFormat } from 'intl-messageformat';
import { isList, type Tree } from './tree';

type Values = Record<string, string | number>;
type Said = string | ((values: Values) => string) | readonly Said[] | { [key: string]: Said };

/**
 * The words of a file, to be said: a message that asks for something is a function of it, any other its text. Numbers in
 * a sentence are whole; whatever has decimals, a unit or a date comes formatted.
 */
export function read(tree: Tree, locale: string): Said {
  if (typeof tree === 'string') return tree.includes('{') ? message(tree, locale) : tree;
  if (isList(tree)) return tree.map((one) => read(one, locale));
  return Object.fromEntries(Object.entries(tree).map(([key, one]) => [key, read(one, locale)]));
}

function message(text: string, locale: string): (values: Values) => string {
  let format: IntlMessageFormat | undefined;
  return (values) => {
    format ??= new IntlMessageFormat(text, locale, undefined, { ignoreTag: true });
    const whole: Values = {};
    for (const [name, one] of Object.entries(values)) whole[name] = typeof one === 'number' ? Math.round(one) : one;
    return String(format.format(whole));
  };
}
