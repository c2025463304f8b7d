export * from './catalog-api';
export * from './imports-api';
export * from './listing-search';
export * from './pages-api';
export * from './paused-question';
export * from './problems';
export * from './session-api';
export * from './selections-api';
export { isMarkedSignedIn } from './signed-in-mark';
