// The types of the words: what each message asks for. node ops/words.mjs > resources/js/words/messages.d.ts
// Languages that say something else than English does are refused, with file and place.
import { parse, TYPE } from '@formatjs/icu-messageformat-parser';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { argv, exit, stderr, stdout } from 'node:process';
import { fileURLToPath } from 'node:url';

const folder = join(dirname(fileURLToPath(import.meta.url)), '../words');

/** What the two readers of messages, PHP's and the browser's, take alike; dates, and numbers with decimals or units, come formatted. */
const KINDS = new Map([
  [TYPE.argument, 'string'],
  [TYPE.select, 'string'],
  [TYPE.number, 'number'],
  [TYPE.plural, 'number'],
]);

/** What a message asks for, by name: text, or a number. Refuses what the two readers would not read alike. */
export function asked(message) {
  if (/['<>|]/.test(message)) throw new Error(`${message}: without ' < > | (an apostrophe is ’)`);
  const found = new Map();
  read(parse(message, { ignoreTag: true, captureLocation: false }), message, found);
  return found;
}

function read(parts, message, found) {
  for (const part of parts) {
    if (part.type === TYPE.literal || part.type === TYPE.pound) continue;
    const kind = KINDS.get(part.type);
    if (!kind || part.style)
      throw new Error(`${message}: {${part.value}} can be text, a number, plural, select or selectordinal`);
    if (!/^[a-z]\w*$/i.test(part.value)) throw new Error(`${message}: {${part.value}} is no name`);
    if ((found.get(part.value) ?? kind) !== kind)
      throw new Error(`${message}: {${part.value}} is once a number, once text`);
    found.set(part.value, kind);
    for (const option of Object.values(part.options ?? {})) read(option.value, message, found);
  }
}

/** What the core and the server say, a file a room. PHP reads it; no screen does. */
const ANSWERS = 'answers/';

/** The texts of packs, in their shape: `./compadre texts` looks at them. */
const PACKS = 'packs/';

/** The files of a language, by name. */
export const language = (name) =>
  Object.fromEntries(
    readdirSync(join(folder, name), { recursive: true })
      .filter((file) => file.endsWith('.json') && !file.startsWith(PACKS))
      .sort()
      .map((file) => [file, JSON.parse(readFileSync(join(folder, name, file), 'utf8'))]),
  );

/** The messages of a language that screens say. */
const ofScreens = (files) =>
  Object.assign({}, ...Object.entries(files).map(([file, tree]) => (file.startsWith(ANSWERS) ? {} : tree)));

export const languages = () => readdirSync(folder).sort();

/** What is wrong with words of another language: messages that English has not, or that ask for something else. */
export function faults(english, other, at = '') {
  if (typeof english === 'string' && typeof other === 'string') {
    const known = asked(english);
    return [...asked(other)]
      .filter(([name, kind]) => known.get(name) !== kind)
      .map(([name]) => `${at}: {${name}} is not given`);
  }
  if (typeof english !== 'object' || typeof other !== 'object' || Array.isArray(english) !== Array.isArray(other))
    return [`${at}: of another shape than in English`];
  return Object.entries(other).flatMap(([key, one]) =>
    key in english ? faults(english[key], one, `${at}/${key}`) : [`${at}/${key}: not in English`],
  );
}

/** What a language does not say yet, place by place: English stands in for it. */
export function missing(english, other, at = '') {
  if (typeof english === 'string') return other === undefined ? [at] : [];
  return Object.entries(english).flatMap(([key, one]) => missing(one, other?.[key], `${at}/${key}`));
}

/** The type of a file of words, as TypeScript. */
export function typeOf(tree, indent = '') {
  if (Array.isArray(tree)) return `readonly [${tree.map((one) => typeOf(one, indent)).join(', ')}]`;
  if (typeof tree === 'string') {
    const values = [...asked(tree)].map(([name, kind]) => `${name}: ${kind}`);
    return values.length === 0 ? 'string' : `(values: { ${values.join('; ')} }) => string`;
  }
  const lines = Object.entries(tree).map(
    ([key, one]) => `${indent}  ${JSON.stringify(key)}: ${typeOf(one, `${indent}  `)};\n`,
  );
  return `{\n${lines.join('')}${indent}}`;
}

if (argv[1] === fileURLToPath(import.meta.url)) {
  const english = language('en');
  for (const name of languages().filter((one) => one !== 'en')) {
    const other = language(name);
    const wrong = faults(english, other);
    if (wrong.length > 0) {
      stderr.write(`words/${name}${wrong.join(`\nwords/${name}`)}\n`);
      exit(1);
    }
    const left = missing(english, other);
    if (left.length > 0)
      stderr.write(`words/${name}: ${left.length} messages are not there yet, the first ${left[0]}\n`);
  }
  stdout.write(
    `/** Made from words/en by ops/words.mjs: what each message asks for. */\nexport type Messages = ${typeOf(ofScreens(english))};\n`,
  );
}
