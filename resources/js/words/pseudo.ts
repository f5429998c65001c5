import { type MessageFormatElement, parse, TYPE } from '@formatjs/icu-messageformat-parser';

const PLAIN = 'aceghijklnorsuwyzACEGHIJKLNORSUWYZ';
const MARKED = 'áçéğĥíĵķľñóŕšúŵýžÁÇÉĞĤÍĴĶĽÑÓŔŠÚŴÝŽ';

/** A message as it might be in another language: its letters marked, and a third longer. */
export function pseudo(message: string): string {
  let end = message.length;
  let said = '';
  for (const [from, to] of literals(parse(message, { ignoreTag: true, captureLocation: true })).reverse()) {
    said = longer(message.slice(from, to)) + message.slice(to, end) + said;
    end = from;
  }
  return message.slice(0, end) + said;
}

/** Where in a message its own text is, from first to last. */
function literals(parts: MessageFormatElement[]): [number, number][] {
  return parts.flatMap((part) => {
    if (part.type === TYPE.plural || part.type === TYPE.select)
      return Object.values(part.options).flatMap((option) => literals(option.value));
    if (part.type !== TYPE.literal || !part.location) return [];
    return [[part.location.start.offset, part.location.end.offset]];
  });
}

/** Its plain letters marked, and each marked vowel twice. */
const longer = (text: string): string =>
  text.replace(/[A-Za-z]/g, (one) => {
    const letter = MARKED[PLAIN.indexOf(one)] ?? one;
    return 'áéíóú'.includes(letter) ? letter + letter : letter;
  });
