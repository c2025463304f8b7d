export type { PictureRecord } from './picture-store.js';
export type { TokenRecord } from './account-store.js';
export * from './store.js';
export { Turns } from './turns.js';
export * from './unit.js';
export { writeWhole } from './write-whole.js';
