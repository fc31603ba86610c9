import { say } from '@/core/words';
/** Said where a worker could not be fetched: nothing was computed, so nothing broke down. */
const notLoaded = () => say('workers.theApplicationsServerDidNotAnswer');

/**
 * Why a worker failed. Its script could not be fetched: the browser fires a plain event then (the standard of web workers);
 * an error inside a running worker brings its message.
 *
 * @param broken what is said of an error inside
 */
export function whyFailed(event: Event, broken: string): string {
  return 'message' in event ? broken : notLoaded();
}
