import { useEffect, useRef } from 'react';
import { houseQuery, meQuery, queryClient } from '../api/queries';
import { clearPage } from '../device/leaving';
import { drawDoor } from './door';

/** The sign-in in the place of a page that may not be shown any more. */
export function SignInPage({ demo }: { demo: boolean }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!place.current) return;
    drawDoor(place.current, {
      demo: Promise.resolve(demo),
      onIn: (me, isSame) => {
        // What this page has in memory is whoever's who was here before.
        if (!isSame) {
          clearPage();
          return;
        }
        if (me) queryClient.setQueryData(meQuery.queryKey, me);
        void queryClient.invalidateQueries({ queryKey: houseQuery.queryKey });
      },
    });
  }, [demo]);
  return <div ref={place} />;
}
