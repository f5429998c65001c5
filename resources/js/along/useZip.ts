import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { bring, type ZipWay } from '../api/along';

/** A zip on its way in: chosen, brought in parts, and looked at. */
export function useZip<About>(way: ZipWay<About>) {
  const [file, setFile] = useState<File | null>(null);
  const [password, setPassword] = useState('');
  const [share, setShare] = useState<number | null>(null);
  const [id, setId] = useState<string | null>(null);
  const opened = password === '' ? {} : { password };
  const look = useMutation({
    mutationFn: async (about: About) => {
      if (file === null) throw new Error('No file is chosen.');
      // Looked at again, say with another password, it is not brought again.
      const there = id ?? (await bring(way, file, about, setShare));
      setId(there);
      setShare(null);
      return way.look(there, about, opened);
    },
    onError: () => setShare(null),
  });
  const choose = (now: File | null): void => {
    setFile(now);
    setId(null);
    look.reset();
  };
  return { file, choose, password, setPassword, opened, share, id: id ?? '', look };
}

/** Of it, what is seen and chosen. */
export type Zip = Omit<ReturnType<typeof useZip>, 'look'> & { look: { isPending: boolean; reset: () => void } };
