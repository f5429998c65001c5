import { call } from './api/client';
import './app.css';
import { drawDoor } from './account/door';
import { isLeaving, tellLeft, watchTheWayBack } from './device/leaving';
import { applyScheme } from './device/scheme';
import { mayKeep, startWorker } from './device/worker';
import { fetchWords } from './words/language';

applyScheme();
watchTheWayBack();

/** Addresses that are open to people who are not signed in. */
const OPEN = ['/phone', '/join', '/reset', '/begin'];

/** The practice corner, which a card opens. */
const CORNER = '/practice';
const isCorner = (): boolean => location.pathname === CORNER || location.pathname.startsWith(`${CORNER}/`);

const app = () => import('./shell/enter');
const askHouse = () => call('GET', '/api/house').catch(() => undefined);

const place = document.getElementById('app');
// Nothing is drawn, and none of the app is run, before its words are here. For English nothing is waited for.
if (place) void fetchWords().then(() => (isLeaving() && !isCorner() ? comeBack(place) : open(place)));
window.addEventListener('load', startWorker);

/** The app for who is signed in, the sign-in for who is not. */
async function open(place: HTMLElement): Promise<void> {
  if (isCorner()) {
    // Learners install the corner alone, and get no more of the app than that.
    document.querySelector('link[rel=manifest]')?.setAttribute('href', '/practice.webmanifest');
    (await import('./practice/enter')).enterCorner(place);
    return;
  }
  if (OPEN.includes(location.pathname)) {
    (await app()).enter(place, {});
    return;
  }
  // Where somebody is signed in, as far as this device knows, the app is fetched beside the question.
  void mayKeep().then((may) => (may ? app() : undefined));
  const house = await askHouse();
  if (!house || house.signed_in || house.hosts || house.needs_setup) {
    (await app()).enter(place, house ? { house } : {});
    return;
  }
  drawDoor(place, {
    demo: Promise.resolve(house.house === 'demo'),
    onTouch: () => void app(),
    // Whoever hosts the house, and belongs to no group, is told by it what there is.
    onIn: async (me) => (await app()).enter(place, me ? { me, house: { ...house, signed_in: true } } : {}),
  });
}

/** Somebody signed out here without a network: until the server has heard of it, nothing it says of who is signed in counts. */
function comeBack(place: HTMLElement): void {
  const told = new Promise<void>((done) => {
    const tell = () => void tellLeft().then(() => isLeaving() || done());
    tell();
    window.addEventListener('online', tell);
  });
  drawDoor(place, {
    demo: told.then(askHouse).then((house) => house?.house === 'demo'),
    onTouch: () => void app(),
    onIn: async (me) => (await app()).enter(place, me ? { me } : {}),
  });
}
