export * from './collation.js';
export * from './errors.js';
export * from './formats.js';
export * from './measure.js';
export * from './money.js';
export * from './numbers.js';
export * from './result.js';
export * from './text.js';
