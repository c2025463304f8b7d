export * from './computed-values.js';
export * from './condition-holds.js';
export * from './history.js';
export * from './kept-things.js';
export * from './link-graph.js';
export * from './listing.js';
export * from './read-listing.js';
export * from './type-change.js';
