import { makeValueInText } from '../../design/index.js';
import type { FieldValue, Picture } from '../../structure/index.js';
import { fieldType } from '../../structure/index.js';
import type { Formats } from '../../values/index.js';
import { reachedValues } from '../cards/reached-values.js';
import { hrefOf, rowsModel } from '../cards/value-models.js';
import type { EntryModel } from './piece-models.js';
import type { PieceMaker } from './piece-maker.js';

export const specification: PieceMaker<'specification'> = {
  make(settings, { page, shown }) {
    const [found] = shown ? reachedValues(makeValueInText({ field: settings.field }), shown) : [];
    if (!found) return null;
    const { field, value } = found;
    const { formats } = page.context;
    const entries = fieldType(field.type).parts?.(value, field) ?? [];
    if (entries.length === 0) return null;
    const isTable = settings.layout === 'table';
    return {
      ...{
        type: 'specification',
        layout: settings.layout,
        button: settings.button || formats.words.say('specification.more'),
      },
      rows: isTable ? rowsModel(field, value, formats) : { columns: [], rows: [] },
      entries: isTable ? [] : entries.map((parts) => entryOf(parts, settings, formats)),
    };
  },
};

function entryOf(
  parts: readonly FieldValue[],
  { title, picture, address }: { readonly title: string; readonly picture: string; readonly address: string },
  formats: Formats,
): EntryModel {
  const part = (key: string): FieldValue | undefined => parts.find(({ field }) => key !== '' && field.key === key);
  const textOf = ({ field, value }: FieldValue): string => fieldType(field.type).format(value, field, formats);
  const [named, shown, leads] = [part(title), part(picture), part(address)];
  const pictures = shown ? ([shown.value].flat() as readonly Picture[]) : [];
  const rest = parts.filter((one) => one !== named && one !== shown && one !== leads);
  return {
    title: named ? textOf(named) : '',
    picture: pictures[0] ?? null,
    href: (leads && hrefOf(leads.field, leads.value)) ?? null,
    facts: rest.map((one) => ({ label: one.field.label, text: textOf(one) })),
  };
}
