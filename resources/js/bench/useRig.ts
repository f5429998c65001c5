import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Fault, Schemas } from '../api/client';
import { type RigAsked, rigQuery, stoodQuery } from '../api/queries';
import { useSettled } from './useSettled';

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
