export * from './category-plan.js';
export * from './change-entry.js';
export * from './field-plan.js';
export * from './kind-plan.js';
export * from './link-plan.js';
export * from './listing-plan.js';
export * from './undo-plan.js';
