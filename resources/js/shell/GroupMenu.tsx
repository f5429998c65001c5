import {
  Archive,
  ArrowRightLeft,
  Award,
  Building2,
  KeyRound,
  LogOut,
  Menu,
  Moon,
  Package,
  QrCode,
  Settings2,
  Sun,
  UserPlus,
} from 'lucide-react';
import { useMutation } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { words } from '../words';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { sync } from '../outbox/sync';
import { kindOf, saveFile, useSync } from '../outbox/SyncBar';
import { useMe } from '../device/me';
import { leave, openGroup } from '../device/offline';
import { currentScheme, toggleScheme } from '../device/scheme';

const PasswordSheet = lazy(async () => ({ default: (await import('../account/PasswordSheet')).PasswordSheet }));

const ITEM = 'flex min-h-12 items-center gap-3 rounded-md px-3 outline-none data-highlighted:bg-wash';

export function GroupMenu() {
  const me = useMe();
  const navigate = useNavigate();
  const [scheme, setScheme] = useState(currentScheme);
  const { waiting, notes, refused, others } = useSync();
  const unsent = waiting + refused + others.count;
  const [leaving, setLeaving] = useState(false);
  const [password, setPassword] = useState(false);
  const [opening, setOpening] = useState<{ id: string; name: string } | null>(null);
  const open = useMutation({ mutationFn: (id: string) => openGroup(id) });
  return (
    <>
      {password && (
        <Suspense>
          <PasswordSheet onClose={() => setPassword(false)} />
        </Suspense>
      )}
      {leaving && (
        <Sheet
          open
          onClose={() => setLeaving(false)}
          title={words.nav.signOut}
          about={words.sync.leaving[kindOf(unsent, notes)]({ n: unsent, notes })}
        >
          <div className="flex flex-col gap-3">
            <Button look="signal" onClick={() => setLeaving(false)}>
              {words.sync.stay}
            </Button>
            <Button onClick={() => void saveFile().then(leave)}>{words.sync.leaveFile}</Button>
            <Button onClick={() => void leave()}>{words.sync.leave}</Button>
          </div>
        </Sheet>
      )}
      {opening && (
        <Sheet
          open
          onClose={() => setOpening(null)}
          title={words.host.switching({ group: opening.name })}
          about={unsent + notes > 0 ? words.host.switchingAbout : undefined}
        >
          <div className="flex flex-col gap-3">
            <Faults error={open.error} />
            {unsent + notes > 0 && <Button onClick={() => void sync()}>{words.sync.now}</Button>}
            <Button
              look="signal"
              disabled={unsent + notes > 0 || open.isPending}
              onClick={() => open.mutate(opening.id)}
            >
              {words.host.switching({ group: opening.name })}
            </Button>
          </div>
        </Sheet>
      )}
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          aria-label={words.nav.menu}
          className="grid size-12 place-items-center rounded-full border border-line bg-card hover:bg-wash"
        >
          <Menu aria-hidden className="size-5" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-40 min-w-64 rounded-xl border border-line bg-card p-2 shadow-lg"
          >
            <DropdownMenu.Label className="px-3 py-2 text-sm text-soft">
              <strong className="block text-base text-ink">{me.user.name}</strong>
              {words.roles[me.user.role]}, {me.group.name}
            </DropdownMenu.Label>
            {me.groups
              .filter((one) => one.id !== me.group.id)
              .map((one) => (
                <DropdownMenu.Item key={one.id} className={ITEM} onSelect={() => setOpening(one)}>
                  <ArrowRightLeft aria-hidden className="size-5 shrink-0" /> {words.host.switching({ group: one.name })}
                </DropdownMenu.Item>
              ))}
            <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/house')}>
              <Settings2 aria-hidden className="size-5" /> {words.nav.house}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/store')}>
              <Package aria-hidden className="size-5" /> {words.nav.store}
            </DropdownMenu.Item>
            {me.may.teach && (
              <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/awards')}>
                <Award aria-hidden className="size-5" /> {words.nav.awards}
              </DropdownMenu.Item>
            )}
            {me.may.teach && (
              <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/practice-cards')}>
                <QrCode aria-hidden className="size-5" /> {words.nav.cards}
              </DropdownMenu.Item>
            )}
            {me.may.people && (
              <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/people')}>
                <UserPlus aria-hidden className="size-5" /> {words.nav.people}
              </DropdownMenu.Item>
            )}
            {me.may.people && (
              <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/along')}>
                <Archive aria-hidden className="size-5" /> {words.along.title}
              </DropdownMenu.Item>
            )}
            {me.hosts && (
              <DropdownMenu.Item className={ITEM} onSelect={() => void navigate('/host')}>
                <Building2 aria-hidden className="size-5" /> {words.host.nav}
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Item className={ITEM} onSelect={() => setPassword(true)}>
              <KeyRound aria-hidden className="size-5" /> {words.people.password}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => setScheme(toggleScheme())}>
              {scheme === 'dark' ? <Sun aria-hidden className="size-5" /> : <Moon aria-hidden className="size-5" />}
              {scheme === 'dark' ? words.nav.light : words.nav.dark}
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className={ITEM}
              onSelect={() => {
                if (unsent + notes > 0) setLeaving(true);
                else void leave();
              }}
            >
              <LogOut aria-hidden className="size-5" /> {words.nav.signOut}
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
