export * from './card';
export * from './explanation';
export * from './form-state';
export * from './icons/icon';
export { ICON_NAMES, type IconName } from './icons/icon-set';
export * from './index-page/index-page';
export * from './picture';
export * from './pieces/designed-page';
export * from './value';
