export * from './notice.js';
export * from './mail-text.js';
