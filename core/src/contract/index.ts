export * from './api.js';
export * from './run.js';
export * from './people.js';
export * from './submissions.js';
