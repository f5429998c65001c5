import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import * as limits from '../api/limits';
import { setOffice } from '../api/office';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Faults } from '../ui/states';
import { words } from '../words';

/** Who the group is at its office. The office is asked at once whether it knows them. */
export function OfficeSetUp({ office, onDone }: { office?: { address: string; client: string }; onDone?: () => void }) {
  const [address, setAddress] = useState(office?.address ?? '');
  const [client, setClient] = useState(office?.client ?? '');
  const [secret, setSecret] = useState('');
  const set = useMutation(setOffice);
  return (
    <form
      className="flex max-w-xl flex-col gap-4"
      aria-label={words.office.setUp}
      onSubmit={(event) => {
        event.preventDefault();
        set.mutate({ address, client, ...(secret === '' ? {} : { secret }) }, { onSuccess: () => onDone?.() });
      }}
    >
      {!office && (
        <>
          <h2 className="text-xl">{words.office.setUp}</h2>
          <p className="border-l-4 border-hemp pl-4">{words.office.setUpAbout}</p>
          <TextField
            label={words.office.address}
            hint={words.office.addressHint}
            inputMode="url"
            autoComplete="off"
            spellCheck={false}
            required
            {...limits.setOffice.address}
            value={address}
            onChange={(event) => setAddress(event.target.value)}
          />
        </>
      )}
      <TextField
        label={words.office.client}
        autoComplete="off"
        spellCheck={false}
        required
        {...limits.setOffice.client}
        value={client}
        onChange={(event) => setClient(event.target.value.trim())}
      />
      <TextField
        label={words.office.secret}
        hint={office ? words.office.secretKept : undefined}
        type="password"
        autoComplete="off"
        required={!office}
        {...limits.setOffice.secret}
        value={secret}
        onChange={(event) => setSecret(event.target.value)}
      />
      <Faults error={set.error} />
      <Button type="submit" look="signal" disabled={set.isPending}>
        {set.isPending ? words.office.asking : office ? words.office.changeGo : words.office.setGo}
      </Button>
    </form>
  );
}
