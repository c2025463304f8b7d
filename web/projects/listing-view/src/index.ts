export * from './card';
export * from './form-state';
export * from './home-page';
export * from './icons/icon';
export type { IconName } from './icons/icon-set';
export * from './index-page/index-page';
export * from './listing-page';
export * from './picture';
export * from './value';
