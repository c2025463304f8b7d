export * from './build-pages.js';
export * from './page-model.js';
export { listingPath } from './slots.js';
