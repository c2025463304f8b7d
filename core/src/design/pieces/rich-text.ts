import { fieldAt } from '../../structure/index.js';
import { words } from '../settings/setting.js';
import { pieceType, withoutListing } from './piece-type.js';

export const richText = pieceType({
  label: 'Rich text',
  icon: 'notes',
  purpose: 'Paragraphs that are written here, or a text of the listing',
  form: { html: words(50_000), field: words(61) },
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
