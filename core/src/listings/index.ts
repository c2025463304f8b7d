export * from './listing.js';
export * from './read-listing.js';
