import type { Role } from '@/core/brand/roles';
import type { HouseSet } from '@/core/brand/house-set';

/** What the server tells of an organisation. */
export interface Organisation {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

export interface ListedBrand {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** Colours by which it is known at a glance, as hex. */
  readonly ribbon: readonly string[];
  readonly standing: 'in use' | 'archived' | 'in the bin';
  readonly changes: number;
  readonly releases: number;
  /** ISO 8601; null where it was never changed. */
  readonly changedAt: string | null;
}

export interface ToldHouseSet extends HouseSet {
  readonly madeFrom: string;
  readonly by: string | null;
  readonly at: string | null;
}

export interface HouseHolder {
  readonly id: string;
  readonly name: string;
  readonly house: { readonly number: number; readonly pinned?: true } | null;
  /** Swatches of the house that it has not, or has otherwise. */
  readonly differ: number;
}

export interface Member {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  /** null for guests, who have a part in some brands alone. */
  readonly role: Role | null;
  readonly brands: Readonly<Record<string, Role | 'none'>>;
}

export interface Invitation {
  readonly id: string;
  readonly role: Role;
  readonly brand: string | null;
  readonly by: string;
  readonly endsAt: string;
}

export interface ToldDeed {
  readonly id: string;
  readonly by: string;
  readonly what: string;
  readonly about: string;
  readonly at: string;
}
