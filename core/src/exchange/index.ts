export * from './blueprint.js';
export * from './csv.js';
export * from './decode.js';
export * from './edit-plan.js';
export * from './import-preview.js';
export * from './import-rows.js';
export * from './paste-block.js';
export * from './propose-columns.js';
