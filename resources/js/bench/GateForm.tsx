import { useMutation } from '@tanstack/react-query';
import { ShieldCheck } from 'lucide-react';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import * as limits from '../api/limits';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Faults } from '../ui/states';
import { words } from '../words';

/** What an adult looks at and ticks, line by line, before any length of a rig is shown. */
export function GateForm({
  rig,
  meeting,
  onOpen,
}: {
  rig: Schemas['Rig']['rig'];
  meeting: string | null;
  onOpen: () => void;
}) {
  const me = useMe();
  const [ticked, setTicked] = useState<string[]>([]);
  const [adult, setAdult] = useState('');
  const open = useMutation({
    mutationFn: () =>
      call('POST', '/api/meetings/{meeting}/gates', {
        params: { path: { meeting: meeting ?? '' } },
        body: { rig: rig.id, adult, lines: ticked },
      }),
    onSuccess: onOpen,
  });
  return (
    <form
      className="flex flex-col gap-4 rounded-xl border-2 border-notyet bg-card p-5"
      onSubmit={(event) => {
        event.preventDefault();
        open.mutate();
      }}
    >
      <div>
        <h2 className="flex items-center gap-2 text-xl">
          <ShieldCheck aria-hidden className="size-6 text-notyet" /> {words.bench.gate}
        </h2>
        <p className="text-soft">{words.bench.gateAbout}</p>
      </div>
      <ul className="flex flex-col gap-1">
        {rig.gates.map((line) => (
          <li key={line}>
            <label className="flex min-h-12 items-center gap-3">
              <input
                type="checkbox"
                className="size-6 shrink-0 accent-signal"
                checked={ticked.includes(line)}
                onChange={(event) =>
                  setTicked(event.target.checked ? [...ticked, line] : ticked.filter((one) => one !== line))
                }
              />
              {line}
            </label>
          </li>
        ))}
      </ul>
      <TextField
        label={words.bench.adult}
        value={adult}
        {...limits.openGate.adult}
        onChange={(event) => setAdult(event.target.value)}
      />
      <Faults error={open.error} />
      {meeting === null && <p>{words.bench.noMeeting}</p>}
      {me.may.teach && (
        <Button
          look="signal"
          type="submit"
          disabled={meeting === null || adult.trim() === '' || ticked.length < rig.gates.length || open.isPending}
        >
          {words.bench.tick}
        </Button>
      )}
      <ul className="list-disc pl-5">
        {rig.cautions.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </form>
  );
}
