import type { Kind } from '../../structure/index.js';
import { fieldAt } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { issue } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import type { DesignScene } from '../slots/check-slot.js';
import { slotFaults } from '../slots/check-slot.js';
import { isOwn, onlyValue } from '../slots/text-with-values.js';
import type { CardDesign, CardZone } from './card.js';
import { CARD_ZONES, CORNER_ZONES, MOST_CARD_SLOTS, slotsOfCard } from './card.js';

/** What the places on a card are called. */
export const ZONE_WORDS: Readonly<Record<CardZone, string>> = {
  topStart: 'On the picture, top left',
  topEnd: 'On the picture, top right',
  bottomStart: 'On the picture, bottom left',
  bottomEnd: 'On the picture, bottom right',
  heading: 'Heading',
  body: 'Values',
  foot: 'Foot',
};

/** Whether a slot shows the listing's title and nothing else: what names the card, and leads to its listing. */
export function isTitleSlot({ text }: { readonly text: Parameters<typeof onlyValue>[0] }): boolean {
  return isOwn(onlyValue(text), '@title');
}

/** Everything that is wrong with a card of a kind, each with the place of the slot that is meant ("body.2"). */
export function checkCard(card: CardDesign, kind: Kind, scene: DesignScene): Issue[] {
  return [...frameIssues(card, kind), ...zoneIssues(card, kind, scene)];
}

function frameIssues(card: CardDesign, kind: Kind): Issue[] {
  const issues = nameIssues(card);
  const { field, stands } = card.picture;
  const type = fieldAt(kind, field)?.type;
  if (stands !== 'none' && type !== 'picture' && type !== 'pictures') {
    issues.push(wrong('Picture', `there is no field of pictures “${field}” any more.`, 'picture'));
  }
  const slots = slotsOfCard(card);
  if (slots.length > MOST_CARD_SLOTS) {
    issues.push(wrong('All', `a card holds ${MOST_CARD_SLOTS} slots at most.`, 'zones'));
  }
  const keys = slots.map(({ key }) => key);
  const twice = keys.find((key, at) => keys.indexOf(key) !== at);
  if (twice !== undefined) issues.push(wrong('All', `two slots have the key “${twice}”.`, 'zones'));
  const stand = [...card.zones.heading, ...card.zones.body, ...card.zones.foot];
  const titles = stand.filter(isTitleSlot).length;
  if (titles !== 1) {
    const reason = 'it needs the title once, in the heading, among the values or in the foot: it names the card.';
    issues.push(wrong('Heading', reason, 'zones.heading'));
  }
  return issues;
}

function zoneIssues(card: CardDesign, kind: Kind, scene: DesignScene): Issue[] {
  const { stands } = card.picture;
  return CARD_ZONES.flatMap((zone) => {
    const isOnPicture = CORNER_ZONES.some((corner) => corner === zone);
    const faults = card.zones[zone].flatMap((slot, at) =>
      slotFaults(slot, kind, scene).map((reason) =>
        wrong(`${ZONE_WORDS[zone]}, ${at + 1}`, reason, `zones.${zone}.${at + 1}`),
      ),
    );
    if (!isOnPicture || card.zones[zone].length === 0 || stands !== 'none') return faults;
    return [...faults, wrong(ZONE_WORDS[zone], 'the card has no picture to stand on.', `zones.${zone}`)];
  });
}

function wrong(place: string, reason: string, field: string): Issue {
  return issue('design.card', { place, reason }, { field });
}
