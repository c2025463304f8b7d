/** The stored statuses; Upcoming and Expired are computed from times and never stored. */
export const STATUSES = ['draft', 'in-review', 'live', 'hidden', 'binned'] as const;
export type Status = (typeof STATUSES)[number];

export const STATUS_LABELS: Readonly<Record<Status, string>> = {
  draft: 'Draft',
  'in-review': 'In review',
  live: 'Live',
  hidden: 'Hidden',
  binned: 'Binned',
};
