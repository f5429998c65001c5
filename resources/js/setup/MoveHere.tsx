import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useZip } from '../along/useZip';
import { WhatItDoes } from '../along/WhatItDoes';
import { ZipFields } from '../along/ZipFields';
import { zipToHouse } from '../api/along';
import { call } from '../api/client';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { NewPasswordField } from '../ui/Field';
import { Faults } from '../ui/states';
import { words } from '../words';
import { SetUpCode } from './steps';

/** The first visit of a house that a group moves to: its zip is looked at, and taken in by one of its leads. */
export function MoveHere({
  isPlace,
  code: known,
  onIn,
  onNew,
}: {
  isPlace: boolean;
  code: string;
  onIn: () => Promise<void>;
  onNew: () => void;
}) {
  const zip = useZip(zipToHouse);
  const [code, setCode] = useState(known);
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const take = useMutation({
    mutationFn: () =>
      call('POST', '/api/setup/zip/{zip}/take', {
        params: { path: { zip: zip.id } },
        body: { code, ...zip.opened, email: lead, new_password: password },
      }),
    onSuccess: onIn,
  });
  const would = zip.look.data;
  const lead = email === '' ? (would?.leads[0]?.email ?? '') : email;
  return (
    <form
      className="flex flex-col gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        if (would === undefined) zip.look.mutate({ code });
        else take.mutate();
      }}
    >
      <Faults error={zip.look.error ?? take.error} />
      <SetUpCode isPlace={isPlace} value={code} onText={setCode} />
      <ZipFields zip={zip} />
      {would && (
        <>
          <WhatItDoes would={would} />
          {would.leads.length === 0 ? (
            <p className="font-semibold text-notyet">{words.along.nobody}</p>
          ) : (
            <>
              <div>
                <p className="mb-1 font-semibold">{words.along.whoAreYou}</p>
                <Choice
                  label={words.along.whoAreYou}
                  value={lead}
                  onChange={setEmail}
                  options={would.leads.map((one) => [one.email, one.name] as const)}
                />
              </div>
              <NewPasswordField
                label={words.along.newPassword}
                hint={words.join.passwordHint}
                value={password}
                onText={setPassword}
              />
            </>
          )}
        </>
      )}
      <div className="flex flex-wrap justify-between gap-3">
        <Button onClick={onNew}>{words.along.begin}</Button>
        <Button
          look="signal"
          type="submit"
          disabled={zip.file === null || zip.look.isPending || take.isPending || would?.leads.length === 0}
        >
          {would === undefined ? words.along.look : words.along.takeHere}
        </Button>
      </div>
    </form>
  );
}
