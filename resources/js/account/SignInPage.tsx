import { useEffect, useRef } from 'react';
import { houseQuery, meQuery, queryClient } from '../api/queries';
import { drawDoor } from './door';

/** The sign-in in the place of a page that may not be shown any more. */
export function SignInPage({ demo }: { demo: boolean }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!place.current) return;
    drawDoor(place.current, {
      demo: Promise.resolve(demo),
      onIn: (me) => {
        if (me) queryClient.setQueryData(meQuery.queryKey, me);
        void queryClient.invalidateQueries({ queryKey: houseQuery.queryKey });
      },
    });
  }, [demo]);
  return <div ref={place} />;
}
