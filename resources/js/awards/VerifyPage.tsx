import { useMutation, useQuery } from '@tanstack/react-query';
import { Ban, CircleHelp, ShieldAlert, ShieldCheck, ShieldQuestion } from 'lucide-react';
import { base64 } from '../api/bytes';
import { trustedQuery } from '../api/awards';
import { call, type Schemas } from '../api/client';
import { queryClient } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { Faults } from '../ui/states';
import { dayOf } from '../words/format';
import { words } from '../words';

type Verified = Schemas['Verified'];

/** Looks at a badge that somebody shows: who signed it, whether it is unchanged, whether it was taken back. */
export function VerifyPage() {
  const look = useMutation({
    mutationFn: async (files: File[]) => {
      // A list is a text of several signatures; a badge by itself is shorter, or a picture.
      const texts = await Promise.all(files.map(async (file) => ({ file, isList: await holdsLists(file) })));
      const badge = texts.find((one) => !one.isList) ?? texts[0];
      if (!badge) return null;
      const lists = await Promise.all(texts.filter((one) => one !== badge).map((one) => base64(one.file)));
      return call('POST', '/api/verify', {
        body: {
          file: await base64(badge.file),
          ...(lists.length > 0 ? { lists } : {}),
        },
      });
    },
  });
  return (
    <div className="flex max-w-3xl flex-col gap-8">
      <div>
        <h1 className="text-3xl">{words.awards.verify}</h1>
        <p className="text-soft">{words.awards.verifyAbout}</p>
      </div>
      <FileButton
        label={words.awards.verifyFiles}
        accept=".txt,.svg,.png,.jwt,image/svg+xml,image/png,text/plain"
        several
        onFiles={(files) => look.mutate(files)}
      />
      <Faults error={look.error} />
      {look.data && <Answer of={look.data} />}
      <Trusted />
    </div>
  );
}

/** Whether a file is a list of what was taken back: its claims say so. */
async function holdsLists(file: File): Promise<boolean> {
  if (file.type.startsWith('image/')) return false;
  const first = (await file.text()).trim().split(/\s+/)[0] ?? '';
  try {
    const claims = atob((first.split('.')[1] ?? '').replaceAll('-', '+').replaceAll('_', '/'));
    return claims.includes('BitstringStatusListCredential');
  } catch {
    return false;
  }
}

/** How each answer looks: its frame and its letters. */
const LOOKS = {
  good: { Icon: ShieldCheck, frame: 'border-right', ink: 'text-right' },
  issuer_unknown: { Icon: ShieldQuestion, frame: 'border-soft border-dashed', ink: 'text-soft' },
  altered: { Icon: ShieldAlert, frame: 'border-signal', ink: 'text-signal' },
  taken_back: { Icon: Ban, frame: 'border-signal', ink: 'text-signal' },
  status_unknown: { Icon: CircleHelp, frame: 'border-notyet border-dashed', ink: 'text-notyet' },
};

function Answer({ of }: { of: Verified }) {
  const { Icon, frame, ink } = LOOKS[of.answer];
  return (
    <section aria-live="polite" className={`rounded-2xl border-4 bg-card p-5 ${frame}`} data-testid="answer">
      <h2 className={`flex items-center gap-3 text-2xl ${ink}`}>
        <Icon aria-hidden className="size-9 shrink-0" /> {words.awards.answers[of.answer]}
      </h2>
      <p className="mt-1">{of.why}</p>
      {of.says && (
        <dl className="mt-4 grid gap-x-6 gap-y-2 sm:grid-cols-[8rem_minmax(0,1fr)]">
          {[
            [words.awards.saysBadge, of.says.name],
            [words.awards.saysIssuer, of.says.group],
            [words.awards.saysFrom, dayOf(of.says.from.slice(0, 10))],
            [words.awards.saysLearner, of.says.learner ?? words.awards.saysNobody],
            [words.awards.saysCriteria, of.says.criteria],
          ].map(([name, value]) => (
            <div key={name} className="contents">
              <dt className="text-soft">{name}</dt>
              <dd className="font-semibold break-words whitespace-pre-wrap">{value}</dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  );
}

function Trusted() {
  const me = useMe();
  const found = useQuery({ ...trustedQuery, enabled: me.may.teach });
  const again = (): void => void queryClient.invalidateQueries({ queryKey: trustedQuery.queryKey });
  const add = useMutation({
    mutationFn: async (file: File) => call('POST', '/api/trusted', { body: { file: await base64(file) } }),
    onSuccess: again,
  });
  const drop = useMutation({
    mutationFn: (id: string) => call('DELETE', '/api/trusted/{trusted}', { params: { path: { trusted: id } } }),
    onSuccess: again,
  });
  if (!found.data) return null;
  return (
    <section aria-labelledby="trusted">
      <h2 id="trusted" className="mb-1 text-xl">
        {words.awards.trusted}
      </h2>
      {found.data.issuers.length === 0 && <p className="text-soft">{words.awards.trustedNone}</p>}
      <ul className="divide-y divide-line">
        {found.data.issuers.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center justify-between gap-3 py-1">
            <span className="min-w-0">
              <strong className="block">{one.name}</strong>
              <code className="block truncate text-sm text-soft">{one.issuer}</code>
            </span>
            {me.may.award && (
              <Button
                look="quiet"
                aria-label={words.awards.trustDrop({ name: one.name })}
                disabled={drop.isPending}
                onClick={() => drop.mutate(one.id)}
              >
                {words.awards.trustDropShort}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Faults error={add.error ?? drop.error} />
      {me.may.award && (
        <div className="mt-3">
          <FileButton
            label={words.awards.trustAdd}
            accept=".json,application/json"
            onFiles={([file]) => file && add.mutate(file)}
          />
        </div>
      )}
    </section>
  );
}
