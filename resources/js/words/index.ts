import { fileName, inThisLanguage, locale } from './language';
import type { Messages } from './messages';
import { read } from './read';
import type { Tree } from './tree';

const english = import.meta.glob<Tree>('/words/en/*.json', { eager: true, import: 'default' });

/** Every sentence of the screens, in the language of this device: the files of a folder of `words/`, side by side. */
export const words = Object.assign(
  {},
  ...Object.entries(english).map(([path, tree]) => read(inThisLanguage(fileName(path), tree), locale)),
) as Messages;
