export * from './calendar.js';
export * from './zone.js';
export * from './periods.js';
