import type { PieceMaker } from './piece-maker.js';

export const tell: PieceMaker<'tell'> = {
  make({ canTell, canClaim }, { shown, sending, canonical }) {
    if (!shown) return null;
    const { id, title } = shown.listing;
    const told = sending?.told?.listingId === id ? sending : null;
    return {
      ...{ type: 'tell', listingId: id, title, path: canonical, canTell, canClaim },
      attempt: told && {
        ...{ token: told.token, faults: told.faults, sum: told.sum, sender: told.sender },
        ...{ intent: told.told!.intent, message: told.told!.message },
      },
    };
  },
};
