import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client';
import { Button } from '../ui/Button';
import { NewPasswordField, TextField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { words } from '../words';

/** One's own password, by whoever knows the present one. */
export function PasswordSheet({ onClose }: { onClose: () => void }) {
  const [form, setForm] = useState({ current: '', password: '' });
  const set = useMutation({ mutationFn: () => call('PUT', '/api/me/password', { body: form }) });
  return (
    <Sheet
      open
      onClose={onClose}
      title={words.people.password}
      about={set.isSuccess ? words.people.passwordDone : words.people.passwordAbout}
    >
      {set.isSuccess ? (
        <Button look="signal" onClick={onClose}>
          {words.close}
        </Button>
      ) : (
        <form
          className="flex flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            set.mutate();
          }}
        >
          <Faults error={set.error} />
          <TextField
            label={words.people.passwordNow}
            type="password"
            autoComplete="current-password"
            required
            value={form.current}
            onChange={(event) => setForm({ ...form, current: event.target.value })}
          />
          <NewPasswordField
            label={words.people.passwordNew}
            hint={words.join.passwordHint}
            value={form.password}
            onText={(password) => setForm({ ...form, password })}
          />
          <Button look="signal" type="submit" disabled={set.isPending}>
            {words.people.passwordSet}
          </Button>
        </form>
      )}
    </Sheet>
  );
}
