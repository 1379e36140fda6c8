import type { HouseSet } from '../brand/tools/house-set';
import type { PersonRole } from '../brand/roles';

/** An organisation, and what whoever looks is in it. */
export interface Organisation {
  readonly id: string;
  readonly name: string;
  readonly role: PersonRole;
}

/** A brand as lists show it. */
export interface ListedBrand {
  readonly id: string;
  readonly name: string;
  readonly role: PersonRole;
  /** Colours by which it is known at a glance, as hex. */
  readonly ribbon: readonly string[];
  readonly whereabouts: 'in use' | 'archived' | 'in the bin';
  readonly changes: number;
  readonly releases: number;
  /** ISO 8601; null where it was never changed. */
  readonly changedAt: string | null;
}

/** The house set of now, with where it is from; by nobody and at no time for the set that Breakwater comes with. */
export interface ToldHouseSet extends HouseSet {
  readonly madeFrom: string;
  readonly by: string | null;
  readonly at: string | null;
}

/** A brand and how it stands to the house set. */
export interface HouseHolder {
  readonly id: string;
  readonly name: string;
  readonly house: { readonly number: number; readonly pinned?: true } | null;
  /** Swatches of the house that it has not, or has otherwise. */
  readonly differ: number;
}

/** Somebody with a part in an organisation, or in some brands of it alone. */
export interface Member {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  /** null for guests, who have a part in some brands alone. */
  readonly role: PersonRole | null;
  readonly brands: Readonly<Record<string, PersonRole | 'none'>>;
}

/** An invitation that nobody has taken up yet. */
export interface Invitation {
  readonly id: string;
  readonly role: PersonRole;
  readonly brand: string | null;
  readonly by: string;
  readonly endsAt: string;
}

/** One line of what was done. */
export interface ToldAuditEntry {
  readonly id: string;
  readonly by: string;
  readonly what: string;
  readonly about: string;
  readonly at: string;
}
