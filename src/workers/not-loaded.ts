/** Said where a worker could not be fetched: nothing was computed, so nothing broke down. */
const NOT_LOADED =
  'The application’s server did not answer, so what makes this could not be loaded. Start the server and try again; your job is untouched.';

/**
 * Why a worker failed. Its script could not be fetched: the browser fires a plain event then (the standard of web workers);
 * an error inside a running worker brings its message.
 *
 * @param broken what is said of an error inside
 */
export function whyFailed(event: Event, broken: string): string {
  return 'message' in event ? broken : NOT_LOADED;
}
