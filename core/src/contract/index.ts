export * from './api.js';
export * from './run.js';
