export * from './facet-counts.js';
export * from './query.js';
export * from './run-query.js';
export * from './table-query.js';
export * from './url-state.js';
