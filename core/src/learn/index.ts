export type * from './acts.js';
export * from './counting/counted-things.js';
export * from './counting/search-words.js';
export * from './learn-report.js';
export * from './learn-source.js';
export * from './learned-table.js';
export * from './learned-text.js';
export * from './period.js';
