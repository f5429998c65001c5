import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../api/client';
import { Button } from '../ui/Button';
import { NewPasswordField } from '../ui/Field';
import { Faults } from '../ui/states';
import { words } from '../words';
import { useAfterHash } from './afterHash';
import { Doorway } from '../ui/Doorway';

export function ResetPage() {
  const token = useAfterHash();
  const [password, setPassword] = useState('');
  const reset = useMutation({ mutationFn: () => call('POST', '/api/reset', { body: { token, password } }) });
  return (
    <Doorway title={words.reset.title} lead={reset.isSuccess ? words.reset.done : words.join.passwordHint}>
      {reset.isSuccess ? (
        <Link to="/" className="font-semibold text-signal underline">
          {words.signIn.go}
        </Link>
      ) : (
        <form
          className="flex flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            reset.mutate();
          }}
        >
          <Faults error={reset.error} />
          <NewPasswordField value={password} onText={setPassword} />
          <Button look="signal" type="submit" disabled={reset.isPending}>
            {words.reset.go}
          </Button>
        </form>
      )}
    </Doorway>
  );
}
