import { useMutation, useQuery } from '@tanstack/react-query';
import { Plus, Trash2 } from 'lucide-react';
import { useId, useState } from 'react';
import { call, type Schemas } from '../api/client';
import { knotsQuery, queryClient, rigsQuery } from '../api/queries';
import * as limits from '../api/limits';
import { Button } from '../ui/Button';
import { AreaField, optionsOf, SelectField, TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';

type Badge = Schemas['GroupSettings']['badges'][number];
type Level = Schemas['Level'];
export type Requirement =
  | { knot: string; level: Level; in?: string }
  | { say: string }
  | { rig: string }
  | { text: string }
  | { all: Requirement[] }
  | { choose: number; of: Requirement[] };
type Pack = {
  id: string;
  name: string;
  about: string;
  ages: { from: number; to: number };
  after?: string[];
  requirement: Requirement;
};

const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 60);

/** Writes a badge as a list of requirements that may hold lists of their own. */
export function BadgeEditor({ badge, all, onClose }: { badge: Badge | null; all: Badge[]; onClose: () => void }) {
  const [pack, setPack] = useState<Pack>(() =>
    badge
      ? (badge.pack as unknown as Pack)
      : {
          id: '',
          name: '',
          about: '',
          ages: { from: 8, to: 12 },
          requirement: { all: [{ knot: 'overhand', level: 'has_it' }] },
        },
  );
  const body = { ...pack, id: badge ? badge.id : slug(pack.name) };
  const save = useMutation({
    mutationFn: (only_check: boolean) => call('POST', '/api/group/badges', { body: { pack: body, only_check } }),
    onSuccess: (saved) => {
      if (saved.version !== null) {
        void queryClient.invalidateQueries();
        onClose();
      }
    },
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title={badge ? words.badges.changeOf({ name: badge.name }) : words.badges.write}
      about={badge ? words.badges.changeAbout : undefined}
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate(false);
        }}
      >
        <TextField
          label={words.badges.name}
          required
          {...limits.Badge.name}
          value={pack.name}
          onChange={(event) => setPack({ ...pack, name: event.target.value })}
        />
        <AreaField
          label={words.badges.about}
          rows={2}
          required
          {...limits.Badge.about}
          value={pack.about}
          onChange={(event) => setPack({ ...pack, about: event.target.value })}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label={words.badges.from}
            type="number"
            required
            value={pack.ages.from}
            onChange={(event) => setPack({ ...pack, ages: { ...pack.ages, from: Number(event.target.value) } })}
          />
          <TextField
            label={words.badges.to}
            type="number"
            required
            value={pack.ages.to}
            onChange={(event) => setPack({ ...pack, ages: { ...pack.ages, to: Number(event.target.value) } })}
          />
        </div>
        <SelectField
          label={words.badges.after}
          value={pack.after?.[0] ?? ''}
          onChange={(event) => setPack({ ...pack, after: event.target.value === '' ? [] : [event.target.value] })}
          options={[
            ['', words.badges.none],
            ...all.filter((one) => one.id !== badge?.id).map((one) => [one.id, one.name] as const),
          ]}
        />
        <fieldset>
          <legend className="mb-2 font-semibold">{words.badges.asks}</legend>
          <Node node={pack.requirement} onChange={(requirement) => setPack({ ...pack, requirement })} />
        </fieldset>
        <Faults error={save.error} />
        {save.isSuccess && save.data.version === null && (
          <p role="status" className="font-semibold text-right">
            {words.badges.holds}
          </p>
        )}
        <div className="flex flex-wrap gap-3">
          <Button look="signal" type="submit" disabled={save.isPending}>
            {words.save}
          </Button>
          <Button disabled={save.isPending} onClick={() => save.mutate(true)}>
            {words.badges.check}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

type Kind = 'knot' | 'say' | 'rig' | 'text' | 'all' | 'of';

function kindOf(node: Requirement): Kind {
  return 'knot' in node
    ? 'knot'
    : 'say' in node
      ? 'say'
      : 'rig' in node
        ? 'rig'
        : 'text' in node
          ? 'text'
          : 'all' in node
            ? 'all'
            : 'of';
}

const FRESH: Record<Kind, Requirement> = {
  knot: { knot: 'overhand', level: 'has_it' },
  say: { say: '' },
  rig: { rig: '' },
  text: { text: '' },
  all: { all: [{ knot: 'overhand', level: 'has_it' }] },
  of: {
    choose: 1,
    of: [
      { knot: 'overhand', level: 'has_it' },
      { knot: 'figure-eight', level: 'has_it' },
    ],
  },
};

function Node({
  node,
  onChange,
  onRemove,
}: {
  node: Requirement;
  onChange: (now: Requirement) => void;
  onRemove?: () => void;
}) {
  const knots = useQuery(knotsQuery);
  const rigs = useQuery(rigsQuery).data?.rigs ?? [];
  const offered = useId();
  const kind = kindOf(node);
  const parts = 'all' in node ? node.all : 'of' in node ? node.of : null;
  const withParts = (now: Requirement[]): Requirement => ('of' in node ? { ...node, of: now } : { all: now });
  return (
    <div className={parts ? 'border-l-4 border-hemp pl-3' : ''}>
      {/* Named as it is here, a rig is ticked off by itself once a learner tied a knot in it. */}
      <datalist id={offered}>
        {rigs.map((one) => (
          <option key={one.id} value={one.name} />
        ))}
      </datalist>
      <div className="flex flex-wrap items-end gap-2 py-1">
        <div className="min-w-36 flex-1">
          <SelectField
            label={words.badges.kind}
            value={kind}
            onPick={(kind) => onChange(FRESH[kind])}
            options={optionsOf(words.badges.kinds)}
          />
        </div>
        {'knot' in node && (
          <>
            <div className="min-w-40 flex-1">
              <SelectField
                label={words.badges.knot}
                value={node.knot}
                onChange={(event) => onChange({ ...node, knot: event.target.value })}
                options={(knots.data?.knots ?? [{ id: node.knot, name: node.knot }]).map(
                  (one) => [one.id, one.name] as const,
                )}
              />
            </div>
            <div className="min-w-32 flex-1">
              <SelectField
                label={words.badges.level}
                value={node.level}
                onPick={(level) => onChange({ ...node, level })}
                options={optionsOf(words.levels)}
              />
            </div>
            {node.level === 'uses_it' && (
              <div className="min-w-48 flex-1">
                <TextField
                  label={words.badges.inRig}
                  {...limits.BadgeRequirement.in}
                  list={offered}
                  value={node.in ?? ''}
                  onChange={(event) =>
                    onChange({
                      knot: node.knot,
                      level: node.level,
                      ...(event.target.value === '' ? {} : { in: event.target.value }),
                    })
                  }
                />
              </div>
            )}
          </>
        )}
        {'say' in node && (
          <div className="min-w-60 flex-[2]">
            <TextField
              label={words.badges.words}
              required
              {...limits.BadgeRequirement.say}
              value={node.say}
              onChange={(event) => onChange({ say: event.target.value })}
            />
          </div>
        )}
        {'rig' in node && (
          <div className="min-w-60 flex-[2]">
            <TextField
              label={words.badges.words}
              required
              {...limits.BadgeRequirement.rig}
              list={offered}
              value={node.rig}
              onChange={(event) => onChange({ rig: event.target.value })}
            />
          </div>
        )}
        {'text' in node && (
          <div className="min-w-60 flex-[2]">
            <TextField
              label={words.badges.words}
              required
              {...limits.BadgeRequirement.text}
              value={node.text}
              onChange={(event) => onChange({ text: event.target.value })}
            />
          </div>
        )}
        {'of' in node && (
          <div className="w-24">
            <TextField
              label={words.badges.howMany}
              type="number"
              {...limits.BadgeRequirement.choose}
              value={node.choose}
              onChange={(event) => onChange({ ...node, choose: Number(event.target.value) })}
            />
          </div>
        )}
        {onRemove && (
          <button
            type="button"
            onClick={onRemove}
            aria-label={words.badges.remove}
            className="grid size-12 place-items-center rounded-lg hover:bg-wash"
          >
            <Trash2 aria-hidden className="size-5" />
          </button>
        )}
      </div>
      {parts && (
        <>
          {parts.map((part, n) => (
            <Node
              key={n}
              node={part}
              onChange={(now) => onChange(withParts(parts.map((one, m) => (m === n ? now : one))))}
              {...(parts.length > 1 ? { onRemove: () => onChange(withParts(parts.filter((_, m) => m !== n))) } : {})}
            />
          ))}
          <Button look="quiet" onClick={() => onChange(withParts([...parts, FRESH.knot]))}>
            <Plus aria-hidden className="size-5" /> {words.badges.add}
          </Button>
        </>
      )}
    </div>
  );
}
