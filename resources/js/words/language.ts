import { changed, over, type Tree } from './tree';

/** What is written first, and stands in for what another language lacks. */
const FIRST = 'en';

/** Every letter with a mark, and a third longer: shows what is not in the words, and what has no room. Chosen by hand, to try. */
const PSEUDO = 'pseudo';

const others = import.meta.glob<Tree>(['/words/*/*.json', '!/words/en/*.json'], { import: 'default' });
const languageOf = (file: string): string => file.split('/')[2] ?? FIRST;
const known = new Set([FIRST, ...Object.keys(others).map(languageOf)]);

/** Of the languages this device asks for, the first that there are words in, as "de-AT". */
export const locale: string =
  navigator.languages.find((asked) => known.has(asked) || known.has(asked.slice(0, 2))) ?? FIRST;

/** Its folder among the words. */
const folder = known.has(locale) ? locale : locale.slice(0, 2);

/** The files of this language that have been fetched, by their names, and how their messages are changed, for tries alone. */
const fetched: Record<string, Tree> = {};
let change = (message: string): string => message;

/** A file of words in the language of this device; where that lacks something, in English. */
export const inThisLanguage = (file: string, english: Tree): Tree => changed(over(english, fetched[file]), change);

/** Fetches the words of this device's language. English comes with the app: for it nothing is fetched. */
export async function fetchWords(): Promise<void> {
  document.documentElement.lang = locale;
  if (localStorage.getItem('words') === PSEUDO) change = (await import('./pseudo')).pseudo;
  await Promise.all(
    Object.entries(others)
      .filter(([file]) => languageOf(file) === folder)
      .map(async ([file, fetch]) => {
        fetched[fileName(file)] = await fetch();
      }),
  );
}

/** "check" of "/words/en/check.json". */
export const fileName = (file: string): string => file.slice(file.lastIndexOf('/') + 1, -'.json'.length);
