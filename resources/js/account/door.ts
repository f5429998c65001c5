import { call, type Schemas } from '../api/client';
import { takeOver } from '../device/keeping';
import { stay } from '../device/leaving';
import { HANGING_ROPE, LOOKS } from '../ui/looks';
import { problemLines } from '../ui/problem';
import { signInWords } from '../words/signIn';

type Door = {
  /** Whether this is the demo, as soon as it is known. */
  demo: Promise<boolean>;
  /** Opens the app; until it stands there, the sign-in does. Whoever hosts the house may be in no group of it; whether it is who was here before. */
  onIn: (me: Schemas['Me'] | undefined, isSame: boolean) => Promise<void> | void;
  /** Somebody has begun to sign in: what comes after may be fetched. */
  onTouch?: () => void;
};

function part<Name extends keyof HTMLElementTagNameMap>(
  name: Name,
  look: string,
  about: Partial<HTMLElementTagNameMap[Name]> = {},
  ...inside: (Node | string)[]
): HTMLElementTagNameMap[Name] {
  const made = Object.assign(document.createElement(name), about);
  if (look) made.className = look;
  made.append(...inside);
  return made;
}

function field(label: string, about: Partial<HTMLInputElement> & { id: string }) {
  const box = part('input', LOOKS.box, { required: true, ...about });
  return { box, labelled: part('div', LOOKS.field, {}, part('label', LOOKS.label, { htmlFor: about.id }, label), box) };
}

/**
 * Draws the sign-in. It is what everybody waits for first, on the slowest network of the day, so it stands there before
 * React and all that comes with it has been fetched.
 */
export function drawDoor(place: HTMLElement, { demo, onIn, onTouch }: Door): void {
  const { app, signIn } = signInWords();
  const hour = new Date().getHours();
  const title = hour < 12 ? signIn.title.morning : hour < 18 ? signIn.title.afternoon : signIn.title.evening;
  const email = field(signIn.email, { id: 'email', type: 'email', autocomplete: 'username' });
  const password = field(signIn.password, { id: 'password', type: 'password', autocomplete: 'current-password' });
  const go = part('button', `${LOOKS.button} ${LOOKS.signal}`, { type: 'submit' }, signIn.go);
  const faults = part('div', LOOKS.faults, { role: 'alert', hidden: true });
  const hint = part('p', 'text-sm text-soft', { hidden: true }, signIn.demo);
  const form = part('form', LOOKS.form, {}, faults, email.labelled, password.labelled, go, hint);
  form.addEventListener('submit', (event) => {
    event.preventDefault();
    go.disabled = true;
    faults.hidden = true;
    call('POST', '/api/sign-in', { body: { email: email.box.value, password: password.box.value } })
      .then(async (me) => {
        stay();
        await onIn(me, await takeOver(me));
      })
      .catch((error: unknown) => {
        faults.replaceChildren(...problemLines(error).map((line) => part('p', '', {}, line)));
        faults.hidden = false;
        go.disabled = false;
      });
  });
  if (onTouch) form.addEventListener('focusin', onTouch, { once: true });
  void demo.then((is) => (hint.hidden = !is));
  place.replaceChildren(
    part(
      'main',
      LOOKS.doorway,
      {},
      part('div', LOOKS.doorwayRope, { ariaHidden: 'true', innerHTML: HANGING_ROPE }),
      part(
        'div',
        LOOKS.doorwayPage,
        {},
        part(
          'div',
          '',
          {},
          part('p', LOOKS.doorwayApp, {}, app),
          part('h1', LOOKS.doorwayTitle, {}, title),
          part('p', 'text-soft', {}, signIn.lead),
        ),
        form,
      ),
    ),
  );
}
