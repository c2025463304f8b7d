/** What the pages of the site need of the API, apart from what editors do, so that visitors fetch no more. */
export { isMarkedSignedIn } from './signed-in-mark';
export * from './visitor-api';
