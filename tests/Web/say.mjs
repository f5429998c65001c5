// Every message of every language, said by the reader the browser has, with some values: for PHP's reader to say them, too.
import { IntlMessageFormat } from 'intl-messageformat';
import { asked, language, languages } from '../../ops/words.mjs';

const NUMBERS = [0, 1, 2, 5, 21, 1234];
const TEXTS = ['Robin', '{n} # it’s', 'other'];

// PHP's reader knows no empty message.
const messages = (tree) =>
  typeof tree === 'string' ? (tree === '' ? [] : [tree]) : Object.values(tree).flatMap(messages);

const said = languages().flatMap((locale) =>
  messages(language(locale)).flatMap((text) => {
    const values = [...asked(text)];
    const format = new IntlMessageFormat(text, locale, undefined, { ignoreTag: true });
    return (values.length === 0 ? [0] : NUMBERS).map((_, turn) => {
      const given = values.map(([name, kind], place) => [
        name,
        kind === 'number' ? NUMBERS[(turn + place * 2) % NUMBERS.length] : TEXTS[(turn + place) % TEXTS.length],
      ]);
      return {
        locale,
        text,
        values: Object.fromEntries(given),
        said: String(format.format(Object.fromEntries(given))),
      };
    });
  }),
);
process.stdout.write(JSON.stringify(said));
