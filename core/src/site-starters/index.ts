export type { Drawing } from './drawings/drawing.js';
export { valleyMap } from './drawings/valley-map.js';
export { portraitDrawing } from './drawings/portrait.js';
export { SITE_STARTERS, findSiteStarter } from './registry.js';
export type { SiteStarter, StarterScene } from './site-starter.js';
export { blueprintOfStarter } from './site-starter.js';
