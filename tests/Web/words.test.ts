import { describe, expect, it, vi } from 'vitest';
import { asked, faults, language, languages, missing, typeOf } from '../../ops/words.mjs';
import { words } from '../../resources/js/words';
import { inSentence, size } from '../../resources/js/words/format';
import { choose, fetchWords, filesOf } from '../../resources/js/words/language';
import { pseudo } from '../../resources/js/words/pseudo';
import { read } from '../../resources/js/words/read';
import { changed, over } from '../../resources/js/words/tree';

describe('what is said', () => {
  it('takes what a message asks for, and counts as the language does', () => {
    expect(words.pocket.knots({ n: 1 })).toBe('1 knot on the list');
    expect(words.pocket.knots({ n: 2 })).toBe('2 knots on the list');
    expect(words.session.came({ passed: 0, tried: 0 })).toBe('not checked');
    expect(words.session.came({ passed: 3, tried: 5 })).toBe('3 of 5');
    expect(words.course.badgeLater({ badge: 'Reef', later: 2, sooner: 0 })).toBe('Reef comes later for 2.');
    expect(words.course.badgeLater({ badge: 'Reef', later: 0, sooner: 1 })).toBe('Reef comes sooner for 1.');
    expect(words.course.badgeLater({ badge: 'Reef', later: 2, sooner: 1 })).toBe(
      'Reef comes later for 2 and sooner for 1.',
    );
  });

  it('says whole numbers in a sentence', () => {
    expect(words.session.left({ n: 0.6 })).toBe('1 minute left');
    expect(words.session.left({ n: 1200 })).toBe('1,200 minutes left');
  });

  it('leaves text as it is, whatever is in it', () => {
    expect(words.check.tail({ mm: '{n} <b>#</b> it’s' })).toBe('Tail: {n} <b>#</b> it’s');
  });

  it('writes names small within a sentence, but no abbreviation', () => {
    expect(inSentence('Sheet bend')).toBe('sheet bend');
    expect(inSentence('HMPE')).toBe('HMPE');
  });

  it('says how large a file is', () => {
    expect([size(1), size(99_999), size(100_000), size(2_340_000)]).toEqual(['1 kB', '100 kB', '0.1 MB', '2.3 MB']);
  });
});

describe('another language', () => {
  const english = { a: { one: '{n, plural, one {# knot} other {# knots}}', two: 'Save' }, list: ['x', 'y'] };

  it('stands over English, which says what it lacks', () => {
    const both = over(english, { a: { two: 'Sichern' } });
    const said = (read(both, 'de') as { a: never }).a as { one: (values: { n: number }) => string; two: string };
    expect(said.two).toBe('Sichern');
    expect(said.one({ n: 1234 })).toBe('1.234 knots');
    expect(missing(english, { a: { two: 'Sichern' } })).toEqual(['/a/one', '/list/0', '/list/1']);
  });

  it('counts by its own kinds of many', () => {
    const polish = read('{n, plural, one {# węzeł} few {# węzły} many {# węzłów} other {# węzła}}', 'pl') as (values: {
      n: number;
    }) => string;
    expect([1, 2, 5, 22].map((n) => polish({ n }))).toEqual(['1 węzeł', '2 węzły', '5 węzłów', '22 węzły']);
  });

  it('is refused where it says what is not asked, or asks for what is not given', () => {
    expect(faults(english, { a: { three: 'x' } })).toEqual(['/a/three: not in English']);
    expect(faults(english, { a: { one: '{m, number} Knoten' } })).toEqual(['/a/one: {m} is not given']);
    expect(faults(english, { a: { one: '{n} Knoten' } })).toEqual(['/a/one: {n} is not given']);
    expect(faults(english, { a: 'x' })).toEqual(['/a: of another shape than in English']);
    expect(faults(english, { list: { 0: 'x' } })).toEqual(['/list: of another shape than in English']);
    expect(faults(english, { a: { one: '{n, plural, other {# Knoten}}' }, list: ['x'] })).toEqual([]);
  });

  it('is known whole: no language here says anything wrong', () => {
    const all = languages();
    expect(all).toContain('en');
    for (const one of all) expect(faults(language('en'), language(one)), one).toEqual([]);
  });
});

describe('what may stand in a message', () => {
  it.each([
    ['{day, date, short}', 'can be text'],
    ['{n, number, ::percent}', 'can be text'],
    ['{n, number} and {n}', 'once a number'],
    ['{0} knots', 'is no name'],
    ["it's {n, number}", 'apostrophe'],
    ['<b>{n, number}</b>', 'without'],
  ])('refuses %s', (message, why) => {
    expect(() => asked(message)).toThrow(why);
  });

  it('is told by its type', () => {
    expect(typeOf({ a: 'x', b: ['y', '{name} {n, number}'] })).toBe(
      '{\n  "a": string;\n  "b": readonly [string, (values: { name: string; n: number }) => string];\n}',
    );
  });
});

describe('the language to try with', () => {
  it('marks all but what is put in, and is longer', () => {
    expect(pseudo('Save')).toBe('Šáávéé');
    const said = read(changed('{n, plural, one {# knot of {name}} other {# knots of {name}}}', pseudo), 'en') as (
      values: Record<string, string | number>,
    ) => string;
    expect(said({ n: 2, name: 'Robin' })).toBe('2 ķñóótš óóf Robin');
  });
});

describe('which language', () => {
  const folders = new Set(['en', 'de', 'pt-BR', 'gsw']);

  it.each([
    [['de-AT', 'en-GB'], { locale: 'de-AT', folder: 'de' }],
    [['fr', 'en-GB', 'de'], { locale: 'en-GB', folder: 'en' }],
    [['pt-PT', 'pt-BR'], { locale: 'pt-BR', folder: 'pt-BR' }],
    [['gsw-CH'], { locale: 'gsw-CH', folder: 'gsw' }],
    [['fr'], { locale: 'en', folder: 'en' }],
    [[], { locale: 'en', folder: 'en' }],
  ])('of %j is %j', (asked, chosen) => {
    expect(choose(asked, folders)).toEqual(chosen);
  });

  it('is said in English as far as its files do not come', async () => {
    const files = {
      '/words/de/check.json': () => Promise.resolve({ check: { title: 'Prüfen' } }),
      '/words/de/crew.json': () => Promise.reject(new Error('no network')),
      '/words/fr/check.json': () => Promise.resolve({ check: { title: 'Vérifier' } }),
    };
    expect(await filesOf('de', files)).toEqual({ check: { check: { title: 'Prüfen' } } });
  });

  it('is told to the page, also where the device keeps nothing', async () => {
    vi.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
      throw new Error('denied');
    });
    await fetchWords();
    expect(document.documentElement.lang).toBe('en-US');
    expect(words.save).toBe('Save');
  });
});
