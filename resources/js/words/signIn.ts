export const app = 'Compadre';

export const unknown = 'Something went wrong.';

/** What the sign-in says. Apart from the rest, because it is wanted before the rest has been fetched. */
export const signIn = {
  title: (hour: number) =>
    `${hour < 12 ? 'Good morning' : hour < 18 ? 'Good afternoon' : 'Good evening'}. Ropes ready?`,
  lead: 'Plan the lesson, show the knot, check it off.',
  email: 'E-mail',
  password: 'Password',
  go: 'Sign in',
  demo: 'The demo’s sign-in was printed where you started it.',
};
