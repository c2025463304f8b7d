export * from './bitset.js';
export * from './build-catalog.js';
export * from './catalog.js';
export { ChoicesColumn } from './choices-column.js';
export { typosAllowed } from './minisearch-index.js';
export { NumberColumn } from './number-column.js';
export { NO_RANK, TextColumn } from './text-column.js';
export * from './text-index.js';
export { NO, YES, YesNoColumn } from './yes-no-column.js';
