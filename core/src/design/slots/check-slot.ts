import { conditionFaults } from '../../listings/index.js';
import type { Condition, Kind, KindById, ReadContext } from '../../structure/index.js';
import { fieldAt, isGroup, isLinkTest } from '../../structure/index.js';
import { unitsLike } from '../../values/index.js';
import type { Slot } from './slot.js';
import { LEADS_TO_LISTING, LEADS_TO_NOTHING, LEADS_TO_VALUE } from './slot.js';
import { CATEGORY_PARTS, fieldOfValue, writtenField } from './slot-fields.js';
import type { ValueInText } from './text-with-values.js';
import { isValue } from './text-with-values.js';

export const MOST_LINES = 12;
export const MOST_TEXT_PARTS = 20;
const LONGEST_TEXT = 500;

/** What checking a design depends on. */
export interface DesignScene {
  readonly kindById: KindById;
  readonly context: ReadContext;
}

/** What is wrong with a slot over the listings of a kind, as sentences that begin with what is meant. */
export function slotFaults(slot: Slot, kind: Kind, scene: DesignScene): string[] {
  const reasons: string[] = [];
  if (slot.text.length === 0) reasons.push('it shows nothing; choose a value or write a text.');
  if (slot.text.length > MOST_TEXT_PARTS) reasons.push(`at most ${MOST_TEXT_PARTS} texts and values fit into one.`);
  const longest = Math.max(0, ...slot.text.map((part) => (isValue(part) ? 0 : part.words.length)));
  if (longest > LONGEST_TEXT) reasons.push(`a text in it has ${longest} characters; at most ${LONGEST_TEXT} fit.`);
  for (const part of slot.text) if (isValue(part)) reasons.push(...valueFaults(part, kind, scene));
  if (slot.lines !== null && (!Number.isInteger(slot.lines) || slot.lines < 1 || slot.lines > MOST_LINES)) {
    reasons.push(`it can have 1 to ${MOST_LINES} lines.`);
  }
  return [...reasons, ...leadFaults(slot, kind), ...showWhenFaults(slot, kind, scene)];
}

/** What is wrong with a value in a text. */
export function valueFaults(value: ValueInText, kind: Kind, { kindById }: Pick<DesignScene, 'kindById'>): string[] {
  const field = fieldOfValue(value, kind, kindById);
  const way = [...value.through, value.field].join(', then ');
  if (!field) return [`there is no field “${way}” any more.`];
  const isPart = field.type === 'categories' && CATEGORY_PARTS.some((part) => part === value.inside);
  const written = writtenField(value, kind, kindById);
  if (!written || (field.type === 'categories' && value.inside !== '' && !isPart)) {
    return [`${field.label} has nothing inside called “${value.inside}”.`];
  }
  const own = written.type === 'measure' || written.settings.ends === 'measure' ? written.settings.unit : undefined;
  if (value.unit && !(own && unitsLike(own).includes(value.unit))) {
    return [`${written.label} cannot be shown in “${value.unit}”.`];
  }
  const digitsFit = value.digits === null || (Number.isInteger(value.digits) && value.digits >= 0 && value.digits <= 6);
  return digitsFit ? [] : [`${written.label} can be shown with 0 to 6 decimals.`];
}

function leadFaults({ leadsTo, form }: Slot, kind: Kind): string[] {
  if (form === 'button' && leadsTo === LEADS_TO_NOTHING) return ['a button has to lead to something.'];
  if ([LEADS_TO_NOTHING, LEADS_TO_LISTING, LEADS_TO_VALUE].includes(leadsTo)) return [];
  const field = fieldAt(kind, leadsTo);
  if (!field) return [`it leads to the field “${leadsTo}”, which is not there any more.`];
  const leads = ['web-address', 'email', 'phone', 'file'].includes(field.type);
  return leads ? [] : [`it leads to ${field.label}, which is no address.`];
}

function showWhenFaults({ showWhen }: Slot, kind: Kind, scene: DesignScene): string[] {
  if (!showWhen) return [];
  if (asksOfLinked(showWhen)) return ['it is shown when something holds of linked listings, which a slot cannot ask.'];
  return conditionFaults({ kinds: [kind.id], where: showWhen }, scene).map(
    ({ place, reason }) => `it is shown when a condition holds (${place}): ${reason}`,
  );
}

/** Whether a condition asks for something of linked listings, which the values of a listing alone don't tell. */
export function asksOfLinked(condition: Condition): boolean {
  return isGroup(condition) ? condition.of.some(asksOfLinked) : isLinkTest(condition);
}
