export * from './catalog-api';
export * from './imports-api';
export * from './pages-api';
export * from './problems';
export * from './session-api';
export * from './selections-api';
