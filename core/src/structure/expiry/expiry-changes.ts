import type { Consequence, Deed, ExpiryRule } from './expiry-rule.js';

/** The rule with another key for a field that it names. */
export function ruleWithKeyRenamed(rule: ExpiryRule | null, from: string, to: string): ExpiryRule | null {
  if (!rule) return null;
  const { countedFrom } = rule;
  const isCounted = countedFrom.by === 'field' && countedFrom.field === from;
  return {
    ...rule,
    countedFrom: isCounted ? { ...countedFrom, field: to } : countedFrom,
    consequences: rule.consequences.map((one) => ({ ...one, deed: deedWithKeyRenamed(one.deed, from, to) })),
  };
}

function deedWithKeyRenamed(deed: Deed, from: string, to: string): Deed {
  if (deed.act === 'tell') return { ...deed, fields: deed.fields.map((key) => (key === from ? to : key)) };
  const isNamed = (deed.act === 'categorise' || deed.act === 'set-field') && deed.field === from;
  return isNamed ? { ...deed, field: to } : deed;
}

/** Whether a rule names a field. */
export function ruleNamesField({ countedFrom, consequences }: ExpiryRule, key: string): boolean {
  if (countedFrom.by === 'field' && countedFrom.field === key) return true;
  return consequences.some(({ deed }) => {
    if (deed.act === 'tell') return deed.fields.includes(key);
    return (deed.act === 'categorise' || deed.act === 'set-field') && deed.field === key;
  });
}

/** Categories of a field that a rule gives or takes. */
export function categoriesInRule(rule: ExpiryRule | null, field: string): string[] {
  return (rule?.consequences ?? []).flatMap(({ deed }) =>
    deed.act === 'categorise' && deed.field === field ? [...deed.add, ...deed.remove] : [],
  );
}

/** The rule with other categories in the place of some of a field. */
export function ruleWithCategories(
  rule: ExpiryRule,
  field: string,
  replaced: ReadonlyMap<string, string | null>,
): ExpiryRule {
  const follow = (keys: readonly string[]): string[] => [...new Set(keys.map((key) => replaced.get(key) ?? key))];
  const consequences = rule.consequences.map((one): Consequence => {
    const { deed } = one;
    if (deed.act !== 'categorise' || deed.field !== field) return one;
    return { ...one, deed: { ...deed, add: follow(deed.add), remove: follow(deed.remove) } };
  });
  return { ...rule, consequences };
}
