export * from './csv.js';
export * from './decode.js';
export * from './import-rows.js';
export * from './propose-columns.js';
export * from './edit-plan.js';
export * from './blueprint.js';
export * from './paste-block.js';
