import english from '../../../words/en/signIn.json';
import { inThisLanguage } from './language';

/** What the sign-in says. Apart from the rest, because it is wanted before the rest has been fetched. */
export const signInWords = (): typeof english => inThisLanguage('signIn', english) as typeof english;
