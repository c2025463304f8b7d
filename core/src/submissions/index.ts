export * from './answers.js';
export * from './submission.js';
export * from './suspicion.js';
