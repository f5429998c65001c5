import { useMutation } from '@tanstack/react-query';
import { Archive, FileArchive, Hourglass, LockKeyhole } from 'lucide-react';
import { useState } from 'react';
import { type AlongBoard, askAlong, removeAlong } from '../api/along';
import * as limits from '../api/limits';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { momentLong, size } from '../words/format';
import { words } from '../words';

type AlongFile = AlongBoard['files'][number];

/** All that the group has in one zip: asked for, written while nobody waits, fetched. */
export function WholeGroup({ board }: { board: AlongBoard }) {
  const [password, setPassword] = useState('');
  const [leaves, setLeaves] = useState(false);
  const ask = useMutation(askAlong);
  return (
    <section className="flex max-w-xl flex-col gap-3" aria-labelledby="whole">
      <h2 id="whole" className="text-xl">
        {words.along.whole}
      </h2>
      <p className="text-soft">{words.along.wholeAbout}</p>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          ask.mutate(
            { ...(password === '' ? {} : { password }), leave: leaves },
            {
              onSuccess: () => {
                setPassword('');
                setLeaves(false);
              },
            },
          );
        }}
      >
        <Faults error={ask.error} />
        <TextField
          label={words.along.lock}
          hint={words.along.lockHint}
          type="password"
          autoComplete="new-password"
          {...limits.askAlong.password}
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        {board.left_at === null && (
          <label className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="size-6 shrink-0"
              checked={leaves}
              onChange={(event) => setLeaves(event.target.checked)}
            />
            {words.along.leave}
          </label>
        )}
        <Button look="signal" type="submit" className="self-start" disabled={ask.isPending}>
          {leaves ? words.along.writeMove : words.along.write}
        </Button>
      </form>
      {board.files.length === 0 ? (
        <p className="text-soft">{words.along.noFiles}</p>
      ) : (
        <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
          {board.files.map((file) => (
            <FileRow key={file.id} file={file} trouble={board.work?.state === 'waiting' ? board.work.trouble : null} />
          ))}
        </ul>
      )}
    </section>
  );
}

function FileRow({ file, trouble }: { file: AlongFile; trouble: string | null }) {
  const remove = useMutation(removeAlong);
  const made = momentLong(Date.parse(file.made_at));
  const Icon = file.state === 'asked' ? Hourglass : file.locked ? LockKeyhole : FileArchive;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2" data-testid="zip" data-state={file.state}>
      <Icon aria-hidden className="size-6 shrink-0 text-hemp-deep" />
      <span className="min-w-48 flex-1">
        <strong className="block">{words.along.kinds[file.kind]}</strong>
        <span className="text-sm text-soft">
          {file.state === 'gone'
            ? words.along.gone
            : [
                made,
                file.state === 'ready' && size(file.bytes),
                file.locked && words.along.locked,
                file.state === 'ready' && words.along.until({ time: momentLong(Date.parse(file.until)) }),
              ]
                .filter(Boolean)
                .join(' · ')}
        </span>
        {file.state === 'asked' && <span className="block text-sm">{trouble ?? words.along.asked}</span>}
      </span>
      {file.state === 'ready' && (
        <a
          href={`/api/along/files/${file.id}.zip`}
          download
          className={LINK}
          aria-label={words.along.fetchOf({ time: made })}
        >
          <Archive aria-hidden className="size-5" /> {words.along.fetch}
        </a>
      )}
      <Button
        look="quiet"
        aria-label={words.along.removeOf({ time: made })}
        disabled={remove.isPending}
        onClick={() => remove.mutate(file.id)}
      >
        {words.along.remove}
      </Button>
    </li>
  );
}
