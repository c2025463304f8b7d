import type { Field, Kind } from '../../structure/index.js';
import type { SiteWords } from '../../values/index.js';
import { askableFields } from './askable.js';
import type { FormDesign, FormSketch } from './form-design.js';
import { makeForm } from './form-design.js';

/**
 * The form of a kind with which a publisher begins: one step for what every listing has and for the fields of no section, one
 * for each section, and a consent, in the words of the site.
 */
export function firstForm(kind: Kind, words: SiteWords): FormDesign {
  const fields = askableFields(kind);
  const one = words.inSentence(kind.one);
  const inSection = (key: string): Field[] => fields.filter(({ section }) => section === key);
  const steps = [
    { title: words.say('form.design.first', { one }), fields: inSection('') },
    ...kind.sections.map(({ key, label }) => ({ title: label, fields: inSection(key) })),
  ];
  const sketch: FormSketch = {
    name: words.say('form.design.name', { one }),
    steps: steps
      .filter(({ fields: own }) => own.length > 0)
      .map(({ title, fields: own }) => ({
        title,
        questions: own.map(({ key, required }) => ({ field: key, isRequired: required || key === '@title' })),
      })),
    consents: [{ words: words.say('form.design.consent'), isRequired: true }],
  };
  return makeForm(sketch);
}
