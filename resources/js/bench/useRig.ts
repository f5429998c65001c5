import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Fault, Schemas } from '../api/client';
import { type RigAsked, rigQuery, stoodQuery } from '../api/queries';

/** While a handle is dragged, the server is asked as often as a hand can tell. */
const PAUSE = 60;

/** A text, once it has stood still for a moment. */
function useSettled(text: string): string {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const later = window.setTimeout(() => setSettled(text), PAUSE);
    return () => clearTimeout(later);
  }, [text]);
  return settled;
}

/** A rig for these answers; and where nothing can stand by them, why, beside the last that stood. */
export function useRig(asked: RigAsked): {
  rig: Schemas['Rig'] | null;
  refused: Fault[];
  error: Error | null;
  again: () => void;
} {
  const settled = useSettled(JSON.stringify(asked));
  const found = useQuery({ ...rigQuery(JSON.parse(settled) as RigAsked), placeholderData: keepPreviousData });
  const stood = useQuery(stoodQuery(asked.rig));
  return {
    rig: stood.data ?? null,
    refused: found.data ?? [],
    error: found.error,
    again: () => void found.refetch(),
  };
}
