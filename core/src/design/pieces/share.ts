import { flag } from '../settings/setting.js';
import { pieceType } from './piece-type.js';

export const share = pieceType({
  label: 'Share and print',
  icon: 'open_in_new',
  purpose: 'Hands the address of the page on, and prints it',
  form: { canShare: flag(true), canPrint: flag(true) },
  controls: {
    canShare: { as: 'yes-no', label: 'Hand the address on' },
    canPrint: { as: 'yes-no', label: 'Print' },
  },
  faults: ({ canShare, canPrint }) => (canShare || canPrint ? [] : ['it neither shares nor prints.']),
});
