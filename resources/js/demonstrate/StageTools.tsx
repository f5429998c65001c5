import { Check, Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type ReactNode } from 'react';
import { words } from '../words';

export const TOOL =
  'grid size-12 shrink-0 place-items-center rounded-full text-soft hover:bg-wash hover:text-ink aria-pressed:bg-ink aria-pressed:text-paper disabled:opacity-30';

const WORDED =
  'inline-flex min-h-12 shrink-0 flex-col items-center justify-center rounded-xl px-1.5 text-xs font-semibold whitespace-nowrap text-soft rail:flex-row rail:gap-2 rail:rounded-full rail:px-3 rail:text-base hover:bg-wash hover:text-ink aria-pressed:bg-ink aria-pressed:text-paper';

export const ITEM =
  'flex min-h-12 items-center gap-3 rounded-md px-3 outline-none data-disabled:opacity-40 data-highlighted:bg-wash [&_svg]:size-5';

/** One of the four that are used every time: with its word. */
export function Tool({
  name,
  pressed,
  onClick,
  children,
}: {
  name: string;
  pressed?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className={`${WORDED} [&_svg]:size-5`}
      {...(pressed === undefined ? {} : { 'aria-pressed': pressed })}
      onClick={onClick}
    >
      {children}
      <span>{name}</span>
    </button>
  );
}

/** The rest, behind one. */
export function MoreTools({ children }: { children: ReactNode }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className={`${WORDED} [&_svg]:size-5`}>
        <Ellipsis aria-hidden />
        <span>{words.show.more}</span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-40 min-w-64 rounded-xl border border-line bg-card p-2 shadow-lg"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function Item({
  name,
  pressed,
  disabled,
  onSelect,
  children,
}: {
  name: string;
  pressed?: boolean;
  disabled?: boolean;
  onSelect: () => void;
  children: ReactNode;
}) {
  const about = { className: ITEM, disabled: disabled ?? false, onSelect };
  const inside = (
    <>
      {children} <span className="flex-1">{name}</span>
      {pressed && <Check aria-hidden />}
    </>
  );
  return pressed === undefined ? (
    <DropdownMenu.Item {...about}>{inside}</DropdownMenu.Item>
  ) : (
    <DropdownMenu.CheckboxItem {...about} checked={pressed}>
      {inside}
    </DropdownMenu.CheckboxItem>
  );
}
