export * from './english.js';
export * from './english-view.js';
export * from './site-words.js';
export * from './view-words.js';
export * from './wording.js';
export * from './words.js';
