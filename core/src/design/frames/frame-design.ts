import type { SettingsOf } from '../settings/setting.js';
import { flag, group, listOf, numberFrom, oneOf, pictureSetting, readSettings, words } from '../settings/setting.js';

const LINK_FORM = { words: words(60), address: words(2000) };
const MOST_ENTRIES = 12;
const MOST_BELOW = 20;
const MOST_COLUMNS = 4;

/** What stands around every page of a site: its header and its footer. */
export const FRAME_FORM = {
  name: words(80),
  purpose: words(300),
  /** What leads to the home page: the name of the site, or a picture that has it in words. */
  brand: oneOf(['name', 'logo'], 'name'),
  logo: pictureSetting,
  /** Whether the menu is the one below; else it has the lists of all kinds and the pages that stand in it. */
  hasOwnMenu: flag(),
  menu: listOf(group({ ...LINK_FORM, below: listOf(group(LINK_FORM), MOST_BELOW) }), MOST_ENTRIES),
  /** Number of the kind that is searched from the header; 0 for none. */
  searchIn: numberFrom(0, Number.MAX_SAFE_INTEGER, 0),
  /** Whether the header leads to the visitor's shortlist. */
  hasShortlist: flag(),
  columns: listOf(
    group({ heading: words(80), html: words(5000), links: listOf(group(LINK_FORM), MOST_BELOW) }),
    MOST_COLUMNS,
  ),
  /** The last line of the footer. */
  line: words(300),
};

export type FrameDesign = SettingsOf<typeof FRAME_FORM>;
export type MenuEntry = FrameDesign['menu'][number];
export type FooterColumn = FrameDesign['columns'][number];
export type MenuLink = SettingsOf<typeof LINK_FORM>;

/** A frame with every property at its plain default but those given. Throws a `SettingFault` for what cannot be. */
export function makeFrame(given: Partial<FrameDesign>): FrameDesign {
  return readSettings(FRAME_FORM, given, 'frame');
}
