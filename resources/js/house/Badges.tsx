import { useMutation, useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { groupQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { Faults } from '../ui/states';
import { listOf } from '../words/format';
import { words } from '../words';
import { BadgeEditor } from './BadgeEditor';

type Settings = Schemas['GroupSettings'];
type Badge = Settings['badges'][number];

/** The badges there are: which the group works toward and by when, its own ones to write and change. */
export function Badges({ settings }: { settings: Settings }) {
  const [editing, setEditing] = useState<Badge | 'new' | null>(null);
  const done = (): void => void queryClient.invalidateQueries();
  const choose = useMutation({
    mutationFn: ({ badge, due_on, firm }: { badge: string; due_on: string | null; firm: boolean }) =>
      call('PUT', '/api/group/badges/{badge}', { params: { path: { badge } }, body: { due_on, firm } }),
    onSuccess: done,
  });
  const leave = useMutation({
    mutationFn: (badge: string) => call('DELETE', '/api/group/badges/{badge}', { params: { path: { badge } } }),
    onSuccess: done,
  });
  const bring = useMutation({
    mutationFn: async (file: File) =>
      call('POST', '/api/group/badges', { body: { pack: JSON.parse(await file.text()) as Record<string, unknown> } }),
    onSuccess: () => void queryClient.invalidateQueries({ queryKey: groupQuery.queryKey }),
  });
  return (
    <section aria-labelledby="badges" className="flex flex-col gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 id="badges" className="text-xl">
          {words.course.badges}
        </h2>
        <div className="flex flex-wrap gap-3">
          <FileButton
            label={words.badges.bring}
            accept=".json,application/json"
            onFiles={([file]) => file && bring.mutate(file)}
          />
          <Button onClick={() => setEditing('new')}>
            <Plus aria-hidden className="size-5" /> {words.badges.write}
          </Button>
        </div>
      </div>
      <Faults error={bring.error ?? choose.error ?? leave.error} />
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-4 rail:grid-cols-2">
        {settings.badges.map((badge) => (
          <li
            key={badge.id}
            className={`flex flex-col gap-2 rounded-xl border bg-card p-4 ${badge.chosen ? 'border-ink' : 'border-dashed border-line'}`}
          >
            <h3 className="text-lg">
              {badge.name}{' '}
              <span className="font-sans text-sm font-normal text-soft">
                {words.badges.ages({ from: badge.age_from, to: badge.age_to })},{' '}
                {words.badges.version({ n: badge.version })}
              </span>
            </h3>
            <p className="text-sm text-soft">
              {badge.about}
              {badge.after.length > 0 &&
                ` ${words.badges.comesAfter({ names: listOf(badge.after.map((id) => settings.badges.find((one) => one.id === id)?.name ?? id)) })}`}
            </p>
            <div className="flex flex-wrap items-center gap-x-2">
              {badge.chosen ? (
                <>
                  <label className="mr-4 flex items-center gap-2 font-semibold">
                    {words.badges.by}
                    <input
                      type="date"
                      className="min-h-12 rounded-lg border border-soft bg-card px-2 font-normal"
                      defaultValue={badge.due_on ?? ''}
                      onBlur={(event) => {
                        if (event.target.value !== (badge.due_on ?? ''))
                          choose.mutate({ badge: badge.id, due_on: event.target.value || null, firm: badge.firm });
                      }}
                    />
                  </label>
                  {badge.due_on !== null && (
                    <label className="mr-4 flex min-h-12 items-center gap-2">
                      <input
                        type="checkbox"
                        className="size-6 accent-signal"
                        checked={badge.firm}
                        disabled={choose.isPending}
                        onChange={(event) =>
                          choose.mutate({ badge: badge.id, due_on: badge.due_on, firm: event.target.checked })
                        }
                      />
                      {words.badges.firm}
                    </label>
                  )}
                  <Button look="quiet" className="-mx-1.5" onClick={() => leave.mutate(badge.id)}>
                    {words.badges.leave}
                  </Button>
                </>
              ) : (
                <Button onClick={() => choose.mutate({ badge: badge.id, due_on: null, firm: true })}>
                  {words.badges.choose}
                </Button>
              )}
              <Button look="quiet" className="-mx-1.5" onClick={() => setEditing(badge)}>
                {words.badges.change}
              </Button>
              <a
                href={`/api/group/badges/${badge.id}`}
                download={`${badge.id}.json`}
                className="inline-flex min-h-12 items-center font-semibold underline decoration-hemp decoration-2 underline-offset-4"
              >
                {words.badges.out}
              </a>
            </div>
            {badge.chosen && badge.version > 1 && <Moves badge={badge.id} />}
          </li>
        ))}
      </ul>
      {editing !== null && (
        <BadgeEditor
          badge={editing === 'new' ? null : editing}
          all={settings.badges}
          onClose={() => setEditing(null)}
        />
      )}
    </section>
  );
}

/** Learners still in an older version, and what the newest would change for them. */
function Moves({ badge }: { badge: string }) {
  const moves = useQuery({
    queryKey: ['moves', badge],
    queryFn: () => call('GET', '/api/group/badges/{badge}/moves', { params: { path: { badge } } }),
  });
  const move = useMutation({
    mutationFn: () => call('PUT', '/api/group/badges/{badge}/moves', { params: { path: { badge } } }),
    onSuccess: () => void queryClient.invalidateQueries(),
  });
  if (!moves.data || moves.data.moves.length === 0) return null;
  return (
    <details className="rounded-lg bg-wash px-3 py-2">
      <summary className="min-h-8 cursor-pointer font-semibold">
        {words.badges.older({ n: moves.data.moves.length })}
      </summary>
      <ul className="my-2 text-sm">
        {moves.data.moves.map((one) => (
          <li key={one.learner}>{wouldBe(one)}</li>
        ))}
      </ul>
      <Faults error={move.error} />
      <Button disabled={move.isPending} onClick={() => move.mutate()}>
        {words.badges.move}
      </Button>
    </details>
  );
}

/** How much of a badge a learner has now, and in its newest version. */
function wouldBe({ name, before, after }: { name: string; before: number[]; after: number[] }): string {
  const [met = 0, all = 0] = before;
  const [metThen = 0, allThen = 0] = after;
  return words.badges.wouldBe({ name, met, all, metThen, allThen });
}
