import icons from './icons.json';

/**
 * Names of the icon set, each with the file of Material Symbols that it is drawn from. `node tools/icon-sheet.mjs`
 * makes the one file of them that is shipped, `icons.svg`.
 */
export type IconName = keyof typeof icons;

/** All names, in the order of the alphabet. */
export const ICON_NAMES = /* @__PURE__ */ Object.keys(icons) as IconName[];
