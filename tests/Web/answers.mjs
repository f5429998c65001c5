// What each message of the core and the server asks for, by its code, as JSON.
import { asked, language } from '../../ops/words.mjs';

const codes = {};
for (const [file, tree] of Object.entries(language('en'))) {
  const room = /^answers\/(\w+)\.json$/.exec(file)?.[1];
  for (const [key, one] of Object.entries(room ? tree[room] : {})) {
    const messages = typeof one === 'string' ? [one] : Object.values(one);
    codes[`${room}.${key}`] = [...new Set(messages.flatMap((message) => [...asked(message).keys()]))];
  }
}
process.stdout.write(JSON.stringify(codes));
