import { changed, over, type Tree } from './tree';

/** What is written first, and stands in for what another language lacks. */
const FIRST = 'en';

/** Every letter with a mark, and a third longer: shows what is not in the words, and what has no room. Chosen by hand, to try. */
const PSEUDO = 'pseudo';

type Files = Record<string, () => Promise<Tree>>;

const others: Files = import.meta.glob<Tree>(['/words/*/*.json', '!/words/en/*.json'], { import: 'default' });

/** "de" of "/words/de/check.json", and "check". */
const languageOf = (path: string): string => path.split('/')[2] ?? FIRST;
export const fileName = (path: string): string => path.slice(path.lastIndexOf('/') + 1, -'.json'.length);

/** The folder of words for a language as a browser asks for it, such as "de-AT": for just that, or for the language it is of. */
const folderFor = (asked: string, folders: Set<string>): string | undefined =>
  [asked, asked.split('-')[0] ?? asked].find((one) => folders.has(one));

/** Of the languages a device asks for, the first that there are words in, and their folder. */
export function choose(asked: readonly string[], folders: Set<string>): { locale: string; folder: string } {
  for (const locale of asked) {
    const folder = folderFor(locale, folders);
    if (folder !== undefined) return { locale, folder };
  }
  return { locale: FIRST, folder: FIRST };
}

const chosen = choose(navigator.languages, new Set([FIRST, ...Object.keys(others).map(languageOf)]));

/** The language of this device, as days and numbers are written in it. */
export const { locale } = chosen;

/** The files of this language that have been fetched, by their names, and how their messages are changed, for tries alone. */
let fetched: Record<string, Tree> = {};
let change: ((message: string) => string) | undefined;

/** A file of words in the language of this device; where that lacks something, in English. */
export function inThisLanguage(file: string, english: Tree): Tree {
  const said = over(english, fetched[file]);
  return change ? changed(said, change) : said;
}

/** The files of a language, by name. What cannot be fetched just now is left out: English stands in for it. */
export async function filesOf(folder: string, all: Files): Promise<Record<string, Tree>> {
  const paths = Object.keys(all).filter((path) => languageOf(path) === folder);
  const came = await Promise.allSettled(paths.map(async (path) => [fileName(path), await all[path]?.()] as const));
  const files = came.flatMap((one) => (one.status === 'fulfilled' && one.value[1] !== undefined ? [one.value] : []));
  return Object.fromEntries(files) as Record<string, Tree>;
}

/** Fetches the words of this device's language. English comes with the app: for it nothing is fetched. */
export async function fetchWords(): Promise<void> {
  document.documentElement.lang = locale;
  fetched = await filesOf(chosen.folder, others);
  if (isTrying()) change = (await import('./pseudo')).pseudo;
}

function isTrying(): boolean {
  try {
    return localStorage.getItem('words') === PSEUDO;
  } catch {
    // Where a device lets no page keep anything, nothing is tried.
    return false;
  }
}
