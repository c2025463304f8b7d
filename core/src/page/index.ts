export * from './build-pages.js';
export * from './explain-page.js';
export * from './page-model.js';
export { cardOf, filePath, listingPath, slotOf, slotsOf } from './slots.js';
export * from './frame.js';
export * from './list-page.js';
