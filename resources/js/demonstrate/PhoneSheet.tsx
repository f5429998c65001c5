import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { words } from '../words';
import type { useScreen } from './screen';

/** The code with which a phone may step this screen. */
export function PhoneSheet({
  open,
  screen,
  onClose,
}: {
  open: boolean;
  screen: ReturnType<typeof useScreen>;
  onClose: () => void;
}) {
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={words.show.phone}
      about={screen.taken ? words.show.phoneTaken : words.show.phoneGood}
    >
      {screen.code !== null && (
        <p className="mb-4 text-lg">
          {words.show.phoneOpen({ address: `${window.location.host}/phone` })}
          <strong
            className="mt-2 block text-center font-display text-6xl tracking-[0.18em] tabular-nums"
            data-testid="phone-code"
          >
            {screen.code}
          </strong>
        </p>
      )}
      {screen.fault !== null && (
        <p role="alert" className="mb-3 font-semibold text-notyet">
          {screen.fault}
        </p>
      )}
      {screen.taken ? (
        <Button
          onClick={() => {
            screen.end();
            onClose();
          }}
        >
          {words.show.phoneEnd}
        </Button>
      ) : (
        <Button look="signal" onClick={screen.offer}>
          {screen.code === null ? words.show.phoneMake : words.show.phoneAnew}
        </Button>
      )}
    </Sheet>
  );
}
