import { Suspense } from 'react';
import { Loading } from '../ui/states';
import { CalendarRange, CheckCheck, Presentation, Sailboat, Tent, Users } from 'lucide-react';
import { NavLink, Outlet } from 'react-router';
import { words } from '../words';
import { SyncBar } from '../outbox/SyncBar';
import { ClockBar } from './ClockBar';
import { GroupMenu } from './GroupMenu';
import { Moved } from './Moved';
import { useMe } from '../device/me';
import { useOnline } from '../device/offline';
import { useTonight } from '../device/useEvenings';

/** The moments of the job, strung on a rope: down the side at a desk, along the bottom in the hand. */
export function Frame() {
  const me = useMe();
  const online = useOnline();
  const tonight = useTonight();
  const moments = [
    { to: '/course', name: words.nav.course, Icon: CalendarRange },
    ...(tonight ? [{ to: `/meeting/${tonight}`, name: words.nav.tonight, Icon: Sailboat }] : []),
    { to: '/show', name: words.nav.show, Icon: Presentation },
    { to: '/check', name: words.nav.check, Icon: CheckCheck },
    { to: '/bench', name: words.nav.bench, Icon: Tent },
    { to: '/crew', name: words.nav.crew, Icon: Users },
  ];
  return (
    <div className="flex min-h-dvh flex-col rail:flex-row print:block">
      <a href="#page" className="sr-only z-30 bg-card p-3 focus:not-sr-only focus:fixed">
        {words.nav.skip}
      </a>
      <header className="flex items-center justify-between gap-3 px-4 pt-3 rail:hidden print:hidden">
        <span className="truncate font-display text-lg font-bold">{me.group.name}</span>
        <GroupMenu />
      </header>
      <nav
        aria-label={words.nav.label}
        className="fixed inset-x-0 bottom-0 z-20 print:hidden border-t border-line bg-card pb-[env(safe-area-inset-bottom)] rail:sticky rail:top-0 rail:flex rail:h-dvh rail:w-24 rail:shrink-0 rail:flex-col rail:justify-between rail:border-t-0 rail:border-r rail:py-5"
      >
        <span
          aria-hidden
          className="hidden px-2 text-center font-display text-sm leading-tight font-bold text-hemp-deep rail:block"
        >
          {words.app}
        </span>
        <div className="relative">
          <span
            aria-hidden
            className="absolute inset-x-6 top-[1.42rem] h-1 rounded bg-hemp rail:inset-x-auto rail:inset-y-6 rail:left-1/2 rail:h-auto rail:w-1 rail:-translate-x-1/2"
          />
          <ul className="relative flex justify-around rail:flex-col rail:gap-4">
            {moments.map(({ to, name, Icon }) => (
              <li key={to} className="flex-1">
                <NavLink
                  to={to}
                  className="group flex min-h-16 flex-col items-center justify-center gap-0.5 px-1 py-1.5 text-xs font-semibold rail:text-sm"
                >
                  <span className="grid size-9 place-items-center rounded-full border-2 border-hemp bg-card transition-colors group-hover:bg-wash group-aria-[current=page]:border-signal group-aria-[current=page]:bg-signal group-aria-[current=page]:text-on-signal rail:size-12">
                    <Icon aria-hidden className="size-[1.1rem] rail:size-6" strokeWidth={2.1} />
                  </span>
                  <span className="bg-card px-1 group-aria-[current=page]:text-signal">{name}</span>
                </NavLink>
              </li>
            ))}
          </ul>
        </div>
        <span className="hidden justify-center rail:flex">
          <GroupMenu />
        </span>
      </nav>
      <main id="page" className="min-w-0 flex-1 px-4 pt-3 pb-28 print:p-0 rail:px-8 rail:pt-7 rail:pb-10">
        <ClockBar />
        {me.group.left_at !== null && <Moved at={me.group.left_at} mayLead={me.may.people} />}
        <SyncBar online={online} mayPlan={me.may.plan} />
        <Suspense fallback={<Loading />}>
          <Outlet />
        </Suspense>
      </main>
    </div>
  );
}
