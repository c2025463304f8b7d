import { fieldAt } from '../../structure/index.js';
import { words } from '../settings/setting.js';
import { fieldOptionsOr, fieldsOfTypes } from './field-options.js';
import { pieceType, withoutListing } from './piece-type.js';

export const richText = pieceType({
  label: 'Rich text',
  icon: 'notes',
  purpose: 'Paragraphs that are written here, or a text of the listing',
  form: { html: words(50_000), field: words(61) },
  controls: {
    field: {
      as: 'choice',
      label: 'Which text',
      options: fieldOptionsOr('one that is written here', ['rich-text', 'long-text']),
    },
    html: { as: 'rich-text', label: 'The text', isAsked: ({ field }) => field === '' },
  },
  begin({ kind }) {
    const [first] = kind ? fieldsOfTypes(kind, ['rich-text', 'long-text']) : [];
    return { settings: first ? { field: first.key } : { html: '<p>Write here.</p>' } };
  },
  faults({ field }, scene) {
    if (field === '') return [];
    const missing = withoutListing(scene);
    const type = scene.kind && fieldAt(scene.kind, field)?.type;
    if (missing.length > 0 || type === 'rich-text' || type === 'long-text') return missing;
    return [`there is no field of longer texts “${field}” any more.`];
  },
  fields: ({ field }, kind) => (kind && field !== '' ? [{ kindId: kind.id, field }] : []),
  withKeyRenamed: (settings, from, to) => (settings.field === from ? { ...settings, field: to } : settings),
});
