import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { houseQuery, meQuery, queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { TextField } from '../ui/Field';
import { stay } from '../device/leaving';
import { words } from '../words/en';
import { Doorway } from '../ui/Doorway';

export function SignInPage({ demo, onIn }: { demo: boolean; onIn: () => void }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const signIn = useMutation({
    mutationFn: () => call<Schemas['Me']>('POST', '/api/sign-in', { email, password }),
    onSuccess: (me) => {
      stay();
      onIn();
      queryClient.setQueryData(meQuery.queryKey, me);
      void queryClient.invalidateQueries({ queryKey: houseQuery.queryKey });
    },
  });
  return (
    <Doorway title={words.signIn.title(new Date().getHours())} lead={words.signIn.lead}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          signIn.mutate();
        }}
      >
        <Faults error={signIn.error} />
        <TextField
          label={words.signIn.email}
          type="email"
          autoComplete="username"
          required
          value={email}
          onChange={(event) => setEmail(event.target.value)}
        />
        <TextField
          label={words.signIn.password}
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Button look="signal" type="submit" disabled={signIn.isPending}>
          {words.signIn.go}
        </Button>
        {demo && <p className="text-sm text-soft">{words.signIn.demo}</p>}
      </form>
    </Doorway>
  );
}
