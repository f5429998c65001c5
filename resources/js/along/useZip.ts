import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { bring, type TakenIn } from '../api/along';
import { call } from '../api/client';

/** A zip on its way in: chosen, brought in parts, and looked at. */
export function useZip(to: string) {
  const [file, setFile] = useState<File | null>(null);
  const [password, setPassword] = useState('');
  const [share, setShare] = useState<number | null>(null);
  const [at, setAt] = useState<string | null>(null);
  const opened = password === '' ? {} : { password };
  const look = useMutation({
    mutationFn: async (about: Record<string, string>) => {
      if (file === null) throw new Error('No file is chosen.');
      // Looked at again, say with another password, it is not brought again.
      const there = at ?? (await bring(to, file, about, setShare));
      setAt(there);
      setShare(null);
      return call<TakenIn>('POST', `${there}/look`, { ...about, ...opened });
    },
    onError: () => setShare(null),
  });
  const choose = (now: File | null): void => {
    setFile(now);
    setAt(null);
    look.reset();
  };
  return { file, choose, password, setPassword, opened, share, at, look };
}

export type Zip = ReturnType<typeof useZip>;
