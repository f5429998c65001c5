import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem, call } from '../api/client';
import { meQuery, queryClient } from '../api/queries';
import * as limits from '../api/limits';
import { forgetPages } from '../device/keeping';
import { Button } from '../ui/Button';
import { NewPasswordField, TextField } from '../ui/Field';
import { Faults, Loading } from '../ui/states';
import { words } from '../words';
import { useAfterHash } from './afterHash';
import { Doorway } from '../ui/Doorway';

export function JoinPage() {
  const token = useAfterHash();
  const navigate = useNavigate();
  const [person, setPerson] = useState({ name: '', email: '', password: '' });
  const about = useQuery({
    queryKey: ['join', token],
    queryFn: () => call('POST', '/api/join/about', { body: { token } }),
    retry: false,
  });
  const join = useMutation({
    mutationFn: () => call('POST', '/api/join', { body: { token, ...person } }),
    onSuccess: async (me) => {
      await forgetPages();
      queryClient.clear();
      queryClient.setQueryData(meQuery.queryKey, me);
      void navigate('/');
    },
  });
  if (about.isPending) return <Loading />;
  if (about.isError)
    return (
      <Doorway
        title={words.app}
        lead={about.error instanceof ApiProblem && about.error.status !== 404 ? about.error.message : words.join.gone}
      >
        {null}
      </Doorway>
    );
  const set =
    (field: keyof typeof person) =>
    (event: { target: { value: string } }): void =>
      setPerson({ ...person, [field]: event.target.value });
  return (
    <Doorway
      title={words.join.title({ group: about.data.group })}
      lead={words.join.about({ role: words.roles[about.data.role], does: words.roleAbout[about.data.role] })}
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          join.mutate();
        }}
      >
        <Faults error={join.error} />
        <TextField
          label={words.join.name}
          autoComplete="name"
          required
          {...limits.NewPerson.name}
          value={person.name}
          onChange={set('name')}
        />
        <TextField
          label={words.signIn.email}
          hint={words.join.knownHint}
          type="email"
          autoComplete="username"
          required
          value={person.email}
          onChange={set('email')}
        />
        <NewPasswordField
          hint={words.join.passwordHint}
          value={person.password}
          onText={(password) => setPerson({ ...person, password })}
        />
        <Button look="signal" type="submit" disabled={join.isPending}>
          {words.join.go}
        </Button>
      </form>
    </Doorway>
  );
}
