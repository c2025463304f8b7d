import type { PieceMaker } from './piece-maker.js';

export const share: PieceMaker<'share'> = {
  make: ({ canShare, canPrint }) => ({ type: 'share', canShare, canPrint }),
};
