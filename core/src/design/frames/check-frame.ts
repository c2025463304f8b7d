import type { KindById } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import { wrong } from '../pages/check-shown.js';
import { isAddress } from '../pieces/address.js';
import type { FrameDesign, MenuLink } from './frame-design.js';

/** Everything that is wrong with header and footer: links without words or that lead nowhere, a logo that is not there. */
export function checkFrame(frame: FrameDesign, kindById: KindById): Issue[] {
  const issues = nameIssues(frame);
  const { brand, logo, hasOwnMenu, menu, searchIn, columns } = frame;
  if (brand === 'logo' && !logo) issues.push(wrong('Header', 'no picture is chosen as its logo.', 'logo'));
  if (brand === 'logo' && logo?.alt.trim() === '') {
    issues.push(wrong('Header', 'the logo needs words for those who do not see it.', 'logo'));
  }
  if (searchIn !== 0 && !kindById(searchIn)) {
    issues.push(wrong('Header', 'the kind that is searched is not there any more.', 'searchIn'));
  }
  if (hasOwnMenu) {
    menu.forEach((entry, at) => {
      const place = `menu.${at + 1}`;
      // An entry that opens further entries needs no address of its own.
      issues.push(...linkIssues(entry, 'Menu', place, entry.below.length > 0));
      entry.below.forEach((link, below) => issues.push(...linkIssues(link, 'Menu', `${place}.below.${below + 1}`)));
    });
  }
  columns.forEach(({ links }, at) => {
    links.forEach((link, link_at) =>
      issues.push(...linkIssues(link, 'Footer', `columns.${at + 1}.links.${link_at + 1}`)),
    );
  });
  return issues;
}

function linkIssues({ words, address }: MenuLink, name: string, place: string, mayLeadNowhere = false): Issue[] {
  if (words.trim() === '') return [wrong(name, 'a link needs words.', place)];
  if (isAddress(address) || (mayLeadNowhere && address === '')) return [];
  return [wrong(name, `“${words}” leads nowhere: give an address as /about or https://…`, place)];
}
