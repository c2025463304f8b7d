export * from './api.js';
