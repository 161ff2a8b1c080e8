import { allocate } from '@ivory-ladder/core';

/** Values by the name of the facet. */
type DemoFacets = Readonly<Record<string, string>>;

export interface DemoLine {
  readonly number: string;
  /** Debit positive. */
  readonly cents: number;
  readonly facets: DemoFacets;
  /** What it is in another currency, in its cents, on the same side. */
  readonly foreign?: { readonly currency: string; readonly cents: number };
}

type Vessel = 'TERN' | 'EIDER' | 'SKUA' | 'PETREL';
type Weights = Partial<Readonly<Record<Vessel, number>>>;

/** Each vessel keeps to its route. */
const routes: Readonly<Record<Vessel, string>> = { TERN: 'OUT-N', EIDER: 'OUT-W', SKUA: 'INN-E', PETREL: 'INN-E' };

const crewed: Weights = { TERN: 33, EIDER: 27, SKUA: 24, PETREL: 16 };
const burning: Weights = { TERN: 38, EIDER: 29, SKUA: 21, PETREL: 12 };

interface Share {
  readonly weights?: Weights;
  readonly facets?: DemoFacets;
}

/** How the amounts of accounts whose number begins so are cut; the longest beginning counts, and what begins otherwise is not cut. */
const shares: Readonly<Record<string, Share>> = {
  40: { weights: { TERN: 34, EIDER: 24, SKUA: 25, PETREL: 17 } },
  41: { weights: { TERN: 46, EIDER: 34, SKUA: 20 } },
  42: { weights: { TERN: 60, EIDER: 40 } },
  422: { weights: { TERN: 60, EIDER: 40 }, facets: { Partner: 'FREIGHT' } },
  125: { facets: { Partner: 'FREIGHT' } },
  203: { facets: { Partner: 'BOATYARD' } },
  43: { weights: crewed, facets: { Department: 'CAFE' } },
  445: { weights: { SKUA: 40, PETREL: 60 } },
  447: { weights: { SKUA: 35, PETREL: 65 } },
  470: { weights: { TERN: 50, EIDER: 50 } },
  472: { facets: { Vessel: 'SHORE' } },
  50: { weights: crewed, facets: { Department: 'DECK' } },
  502: { weights: crewed, facets: { Department: 'ENGINE' } },
  505: { weights: crewed, facets: { Department: 'CAFE' } },
  51: { weights: crewed, facets: { Department: 'DECK' } },
  52: { weights: burning, facets: { Department: 'ENGINE' } },
  531: { weights: crewed },
  532: { weights: crewed },
  533: { weights: { TERN: 58, EIDER: 42 } },
  535: { weights: crewed },
  54: { weights: { TERN: 36, EIDER: 28, SKUA: 21, PETREL: 15 }, facets: { Department: 'ENGINE' } },
  544: { weights: crewed, facets: { Department: 'DECK' } },
  541: { weights: { TERN: 36, EIDER: 28, SKUA: 21, PETREL: 15 }, facets: { Department: 'ENGINE', Partner: 'BOATYARD' } },
  542: { weights: { TERN: 36, EIDER: 28, SKUA: 21, PETREL: 15 }, facets: { Department: 'ENGINE', Partner: 'BOATYARD' } },
  55: { weights: crewed, facets: { Department: 'CAFE' } },
  60: { facets: { Vessel: 'SHORE', Department: 'OFFICE' } },
  61: { facets: { Vessel: 'SHORE' } },
  612: {},
  621: { weights: { TERN: 37, EIDER: 30, SKUA: 20, PETREL: 13 } },
  622: { weights: crewed },
  623: { facets: { Vessel: 'SHORE' } },
  63: { facets: { Vessel: 'SHORE', Department: 'OFFICE' } },
  64: { facets: { Vessel: 'SHORE', Department: 'OFFICE' } },
  648: {},
  650: { weights: { TERN: 28, EIDER: 30, SKUA: 23, PETREL: 19 } },
};

function shareOf(number: string): Share {
  for (let length = number.length; length > 0; length--) {
    const share = shares[number.slice(0, length)];
    if (share) return share;
  }
  return {};
}

/** One line of the ledger as one for each vessel that it is about; the parts add up to the cent. */
export function cutByFacets(number: string, cents: number): DemoLine[] {
  const { weights, facets = {} } = shareOf(number);
  if (!weights) return [{ number, cents, facets }];
  const vessels = Object.entries(weights) as [Vessel, number][];
  const parts = allocate(
    BigInt(cents),
    vessels.map(([, weight]) => BigInt(weight)),
  );
  return vessels.map(([vessel], at) => ({ number, cents: Number(parts[at]), facets: { Vessel: vessel, Route: routes[vessel], ...facets } })).filter((line) => line.cents !== 0);
}
