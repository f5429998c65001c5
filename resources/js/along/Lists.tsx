import { useMutation } from '@tanstack/react-query';
import { ClipboardCopy, Download } from 'lucide-react';
import { useState } from 'react';
import { base64 } from '../api/bytes';
import { call } from '../api/client';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { AreaField, optionsOf, SelectField } from '../ui/Field';
import { FileButton } from '../ui/FileButton';
import { LINK } from '../ui/link';
import { Faults } from '../ui/states';
import { listOf } from '../words/format';
import { words } from '../words';
import { counted } from './counted';
import { SheetRows } from './SheetRows';

type Kind = keyof typeof words.along.names;

/** What goes into a spreadsheet as it is. */
const TABLES: readonly Kind[] = ['roster', 'meetings', 'results', 'store', 'poles'];

/** The group's lists, out and in. */
export function Lists() {
  const [kind, setKind] = useState<Kind>('roster');
  return (
    <section className="flex max-w-3xl flex-col gap-3" aria-labelledby="lists">
      <h2 id="lists" className="text-xl">
        {words.along.lists}
      </h2>
      <p className="text-soft">{words.along.listsAbout}</p>
      <SelectField
        label={words.along.list}
        hint={words.along.abouts[kind]}
        value={kind}
        onPick={setKind}
        options={optionsOf(words.along.names)}
      />
      <div className="flex flex-wrap items-center gap-x-5">
        <a href={`/api/sheets/${kind}`} download className={LINK}>
          <Download aria-hidden className="size-5" /> {words.along.download}
        </a>
        {TABLES.includes(kind) && <Copy key={kind} kind={kind} />}
      </div>
      <BringIn key={kind} kind={kind} />
    </section>
  );
}

/** The list on the clipboard, with tabs between its cells: so spreadsheets take it. */
function Copy({ kind }: { kind: Kind }) {
  const copy = useMutation({
    mutationFn: async () => {
      const answer = await fetch(`/api/sheets/${kind}?between=tabs`);
      if (!answer.ok) throw new Error(words.unknown);
      await navigator.clipboard.writeText(await answer.text());
    },
  });
  return (
    <>
      <button type="button" className={LINK} disabled={copy.isPending} onClick={() => copy.mutate()}>
        <ClipboardCopy aria-hidden className="size-5" /> {words.along.copy}
      </button>
      <span role="status" className="text-soft">
        {copy.isSuccess && words.along.copied}
        {copy.isError && words.along.notCopied}
      </span>
    </>
  );
}

function BringIn({ kind }: { kind: Kind }) {
  const [bytes, setBytes] = useState('');
  const look = useMutation({
    mutationFn: (now: string) =>
      call('POST', '/api/sheets/{kind}', { params: { path: { kind } }, body: { bytes: now } }),
  });
  const take = useMutation({
    mutationFn: () =>
      call('PUT', '/api/sheets/{kind}', { params: { path: { kind } }, body: { bytes, leave_bad: true } }),
    onSuccess: () => {
      look.reset();
      void queryClient.invalidateQueries();
    },
  });
  const read = async (file: Blob | undefined): Promise<void> => {
    if (!file) return;
    take.reset();
    const now = await base64(file);
    setBytes(now);
    look.mutate(now);
  };
  const toTake = (look.data?.new ?? 0) + (look.data?.other ?? 0);
  return (
    <>
      <FileButton
        label={words.along.file}
        accept=".csv,.txt,.tsv,.json,.ndjson,text/csv,text/plain,application/json"
        onFiles={([file]) => void read(file)}
      />
      <AreaField
        label={words.along.paste}
        rows={4}
        onChange={(event) => {
          if (event.target.value.trim() !== '') void read(new Blob([event.target.value]));
        }}
      />
      <Faults error={look.error ?? take.error} />
      {look.data && (
        <>
          <p role="status" className="font-semibold">
            {found(look.data)}
          </p>
          {look.data.left_out.length > 0 && (
            <p className="text-soft">{words.along.leftOut({ names: listOf(look.data.left_out) })}</p>
          )}
          <SheetRows rows={look.data.rows} />
          {toTake > 0 && (
            <Button look="signal" className="self-start" disabled={take.isPending} onClick={() => take.mutate()}>
              {words.along.take({ n: toTake, bad: look.data.bad })}
            </Button>
          )}
        </>
      )}
      {take.data && (
        <p role="status" className="font-semibold text-right">
          {words.along.tookIn({ n: take.data.taken })}
        </p>
      )}
    </>
  );
}

/** How much of a list is new, other, as it is, or bad. */
function found(look: { new: number; other: number; same: number; bad: number }): string {
  const say = words.along.found;
  return say.all({ parts: counted(['new', 'other', 'same', 'bad'], look, say) });
}
