/** What a listing says of the rule of its kind. */
export const EXPIRY_CHOICES = ['by-rule', 'off'] as const;
export type ExpiryChoice = (typeof EXPIRY_CHOICES)[number];

export const EXPIRY_LABELS: Readonly<Record<ExpiryChoice, string>> = {
  'by-rule': 'By the rule of its kind',
  off: 'Never by itself',
};
