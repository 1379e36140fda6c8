import fc from 'fast-check';
import type { z } from 'zod';
import { apply } from '@/core/brand/commands/apply';
import { readyToSend, type Command, type Step } from '@/core/brand/commands/commands';
import { writtenStep, type EditStep, type TableStep } from '@/core/brand/commands/table-step';
import { BrandShape, type Brand } from '@/core/brand/document/brand-shape';
import { entitiesOf, FIELD_NAMES, KIND_NAMES, KINDS, type Entity, type KindName } from '@/core/brand/document/kinds';

/** A number from which a command for whatever brand is at hand is made; unlike ids, it fits any state of it. */
export type Pick = number;

export const anyCommand: fc.Arbitrary<Pick> = fc.nat(2 ** 31 - 1);

/** What ids in a place of this name are of. */
const MEANT: Readonly<Record<string, KindName>> = {
  swatch: 'swatch',
  to: 'swatch',
  token: 'token',
  use: 'token',
  of: 'token',
  surface: 'token',
  text: 'token',
  on: 'token',
  before: 'token',
  values: 'theme',
  theme: 'theme',
  from: 'theme',
  palette: 'palette',
};

let counter = 0;

/** Makes data of the shapes of the table, commands of it, and now and then what is at the edge of a shape or beyond. */
class Dice {
  constructor(
    private state: number,
    private readonly brand: Brand,
  ) {}

  /** A whole number from 0 to below `most` (mulberry32). */
  below(most: number): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) % most;
  }

  chance(percent: number): boolean {
    return this.below(100) < percent;
  }

  one<T>(list: readonly T[]): T {
    return list[this.below(list.length)]!;
  }

  /** The id of something that is there; now and then of anything else, or of nothing. */
  id(kind: KindName): string {
    const list = entitiesOf(this.brand, this.chance(95) ? kind : this.one(KIND_NAMES));
    return list.length > 0 && this.chance(97) ? this.one(list).id : 'gone';
  }

  /** Data of a shape. @param place name of the field that it is for */
  data(schema: z.ZodType, place: string): unknown {
    const { def } = (schema as z.ZodType & { _zod: { def: Def } })._zod;
    switch (def.type) {
      case 'object':
        return this.object(def.shape!);
      case 'optional':
        return this.chance(40) ? this.data(def.innerType!, place) : undefined;
      case 'nullable':
        return this.chance(40) ? null : this.data(def.innerType!, place);
      case 'union':
        return this.data(this.one(def.options!), place);
      case 'array':
        return Array.from({ length: this.below(4) }, () => this.data(def.element!, place));
      case 'record':
        return Object.fromEntries(
          Array.from({ length: this.below(3) }, () => [this.leaf(def.keyType!, place), this.data(def.valueType!, place)]),
        );
      case 'lazy':
        return this.one([null, 0, 'x', true, [1, 'a'], { a: { b: [] } }]);
      default:
        return this.leaf(schema, place);
    }
  }

  /** A new entity, or the fields of one, without what its kind leaves to others. */
  object(shape: Readonly<Record<string, z.ZodType>>): Record<string, unknown> {
    const fields = Object.entries(shape).map(([name, schema]) => [name, name === 'id' ? this.fresh() : this.data(schema, name)]);
    return Object.fromEntries(fields.filter(([, value]) => value !== undefined)) as Record<string, unknown>;
  }

  fresh(): string {
    return this.chance(98) ? `x${counter++}` : this.id(this.one(KIND_NAMES));
  }

  /** The first of many kinds of values that a shape takes. */
  private leaf(schema: z.ZodType, place: string): unknown {
    const n = this.below(1000);
    const meant = MEANT[place];
    const strings = [
      ...(meant ? [this.id(meant)] : []),
      `e${n}`,
      `n${n % 40}.a${n}`,
      `#${((n * 16411) % 0xffffff).toString(16).padStart(6, '0')}`,
      `rgb(${n % 256} 2 3 / 0.5)`,
      ` padded ${n} `,
      'x'.repeat(this.one([1, 40, 120])),
      `file${n}/a.txt`,
      `/a[${n % 4}]`,
      `https://example.org/${n}`,
      String(n % 16).padStart(64, 'a'),
    ];
    const numbers = [0, 1, -1, 0.5, n, n / 1000, 16, 20];
    const { values } = (schema as z.ZodType & { _zod: { values?: Set<unknown> } })._zod;
    const all: unknown[] = values ? [...values] : [...strings.slice(meant ? 1 : 0), ...numbers, true, false];
    const start = this.below(all.length);
    const order = [...(meant && !values ? strings.slice(0, 1) : []), ...all.slice(start), ...all.slice(0, start)];
    const found = order.find((value) => schema.safeParse(value).success);
    if (found === undefined) throw new Error(`Nothing that is tried is a ${place}.`);
    return found;
  }

  step(): TableStep {
    const kind = this.one(KIND_NAMES);
    const { schema, within } = KINDS[kind];
    const list = entitiesOf(this.brand, kind);
    const before = this.chance(40) ? null : this.id(kind);
    const place = within && { within: this.id(within) };
    const ids = () => {
      const chosen = Array.from({ length: 1 + this.below(3) }, () => this.id(kind));
      return this.chance(80) ? [...new Set(chosen)] : chosen;
    };
    switch (this.below(10)) {
      case 0:
      case 1:
      case 2: {
        const entities = Array.from({ length: 1 + this.below(2) }, () => this.object(schema.shape) as unknown as Entity);
        const values = Object.fromEntries(this.brand.tokens.slice(0, this.below(3)).map(({ id }) => [id, { colour: 'teal' }]));
        return { verb: 'add', kind, entities, before, ...place, values };
      }
      case 3:
        return { verb: 'remove', kind, ids: ids() };
      case 4:
      case 5:
        return { verb: 'move', kind, ids: ids(), before, ...place };
      case 6: {
        const name = this.one(FIELD_NAMES);
        const value = this.data(BrandShape.shape[name], name) ?? null;
        return { verb: 'edit', kind: 'brand', id: '', set: { [name]: value } };
      }
      default:
        return list.length === 0 ? this.step() : this.edit(kind);
    }
  }

  private edit(kind: KindName): EditStep {
    const { shape } = KINDS[kind].schema as z.ZodObject<Record<string, z.ZodType>>;
    const id = this.id(kind);
    const records: readonly EditStep['record'][] = kind === 'token' ? ['values'] : kind === 'graft' ? ['bindings', 'banks'] : [];
    const record = this.chance(50) ? records[this.below(records.length || 1)] : undefined;
    if (record) {
      const entries = Object.entries(this.data(shape[record]!, record) as object);
      return {
        verb: 'edit',
        kind,
        id,
        record,
        set: Object.fromEntries(entries.map(([key, value]) => [key, this.chance(80) ? value : null])),
      };
    }
    const names = Object.keys(shape).filter((name) => name !== 'id' && name !== 'swatches' && name !== 'values');
    const chosen = names.filter(() => this.chance(35));
    return {
      verb: 'edit',
      kind,
      id,
      set: Object.fromEntries(chosen.map((name) => [name, this.data(shape[name]!, name) ?? null])),
    };
  }
}

/** What Zod keeps of how a schema was made, as far as it is read here. */
interface Def {
  readonly type: string;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly innerType?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly element?: z.ZodType;
  readonly keyType?: z.ZodType;
  readonly valueType?: z.ZodType;
}

/** A command that makes some sense for the brand, though it may be refused: one that a page would send. */
export function commandFor(brand: Brand, pick: Pick): Command {
  const dice = new Dice(pick, brand);
  for (let tries = 0; tries < 30; tries++) {
    const steps: Step[] = Array.from({ length: dice.chance(80) ? 1 : 2 }, () => writtenStep(dice.step()));
    const command = readyToSend({ label: 'Random', steps });
    if (typeof command !== 'string') return command;
  }
  return { label: 'Random', steps: [{ do: 'brand.edit', set: { name: `B ${pick % 100}` } }] };
}

/** Carries out what can be carried out. */
export function runAll(start: Brand, picks: readonly Pick[]): { brand: Brand; inverses: Command[]; applied: Command[] } {
  let brand = start;
  const inverses: Command[] = [];
  const applied: Command[] = [];
  for (const pick of picks) {
    const command = commandFor(brand, pick);
    const result = apply(brand, command);
    if (!result.ok) continue;
    brand = result.brand;
    applied.push(command);
    inverses.push(result.inverse);
  }
  return { brand, inverses, applied };
}
