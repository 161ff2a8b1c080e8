/** Something between two of the companies; both have it in their books on the same day, to the cent. */
export interface Dealing {
  readonly date: string;
  /** Whom the ferry company deals with. */
  readonly partner: 'boatyard' | 'freight';
  /** Repairs and dry-docking are bought by the ferry company, crossings are sold by it; a payment settles either. */
  readonly kind: 'repairs' | 'dry_docking' | 'crossings' | 'payment';
  readonly euroCents: number;
}
