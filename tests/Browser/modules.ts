// What the app decides by itself while there is no network, for the tests to hold against the core.
export { noteTime, serverNow } from '../../resources/js/api/time';
export { lookUp } from '../../resources/js/check/lookUp';
export { withSteps } from '../../resources/js/session/clock';
export { meToday } from '../../resources/js/device/today';
