export * from './calendar.js';
export * from './zone.js';
