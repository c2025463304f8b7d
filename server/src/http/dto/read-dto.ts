import type { Issue } from '@plindo/core/values';
import { issue, refuseIfAny } from '@plindo/core/values';
import type { ValidationError } from 'class-validator';
import { validateSync } from 'class-validator';
import { setImmediate as breath } from 'node:timers/promises';
import type { DtoClass, DtoProperty } from './dto-shape.js';
import { propertiesOf } from './dto-shape.js';
import { MOST_TOLD } from '../problem.js';

/**
 * An instance of a DTO class made from JSON. Refused with `request.invalid` and the first properties that are wrong.
 *
 * What no class declares is refused before anything is made of it, and what has no class of its own is taken as it is:
 * the work grows with the size of the input and no faster.
 */
export function readDto<T extends object>(dto: DtoClass<T>, input: unknown): T {
  const { reading, instance } = shaped(dto, input);
  reading.check(instance, '');
  reading.refuseIfAny();
  return instance;
}

/** The same, but while the items of long lists are checked others get their turn: thousands take a quarter of a second. */
export async function readLongDto<T extends object>(dto: DtoClass<T>, input: unknown): Promise<T> {
  const { reading, instance } = shaped(dto, input);
  const long = Object.entries(instance).filter((entry): entry is [string, object[]] => {
    const [name, value] = entry as [string, unknown];
    return Array.isArray(value) && value.length > ITEMS_BETWEEN_BREATHS && propertiesOf(dto).get(name)?.isList === true;
  });
  // Lists of the same lengths with nothing in them, whose items class-validator passes over.
  const hollow = long.map(([name, { length }]) => [name, new Array<unknown>(length)] as const);
  reading.check(Object.assign(instance, Object.fromEntries(hollow)), '');
  for (const [name, items] of long) {
    for (const [at, item] of items.entries()) {
      if (at % ITEMS_BETWEEN_BREATHS === 0) await breath();
      if (reading.canGoOn) reading.check(item, `${name}.${at}`);
    }
  }
  reading.refuseIfAny();
  return Object.assign(instance, Object.fromEntries(long));
}

/** An instance whose values are not checked yet; refused where it can't be made. */
function shaped<T extends object>(dto: DtoClass<T>, input: unknown): { reading: DtoReading; instance: T } {
  const reading = new DtoReading();
  const instance = reading.object(dto, input ?? {}, '');
  if (!reading.canGoOn) reading.refuseIfAny();
  return { reading, instance };
}

const ITEMS_BETWEEN_BREATHS = 100;
const OPTIONS = { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true };

class DtoReading {
  private readonly issues: Issue[] = [];
  private hasShape = true;
  /** Of the classes that were met: lists hold thousands of one class. */
  private readonly shapes = new Map<DtoClass, ReadonlyMap<string, DtoProperty>>();

  /** Whether there is something to be checked further, and room to tell of it. */
  get canGoOn(): boolean {
    return this.hasShape && !this.isFull;
  }

  refuseIfAny(): void {
    if (this.issues.length > 0) refuseIfAny([issue('request.invalid'), ...this.issues]);
  }

  object<T extends object>(dto: DtoClass<T>, input: unknown, path: string): T {
    const instance = new dto();
    if (!isPlain(input)) {
      this.refuseShape(path, 'an object');
      return instance;
    }
    const properties = this.shapes.get(dto) ?? propertiesOf(dto);
    this.shapes.set(dto, properties);
    for (const [name, value] of Object.entries(input)) {
      if (this.isFull) break;
      const property = properties.get(name);
      const own = path === '' ? name : `${path}.${name}`;
      if (!property) this.add(own, `property ${name} should not exist`);
      else Object.assign(instance, { [name]: this.value(property, value, own, input) });
    }
    return instance;
  }

  /** Checks an instance by its decorators. */
  check(instance: object, path: string): void {
    for (const error of validateSync(instance, OPTIONS)) this.addAll(error, path);
  }

  private addAll({ property, constraints, children }: ValidationError, parent: string): void {
    const path = parent === '' ? property : `${parent}.${property}`;
    for (const reason of Object.values(constraints ?? {})) this.add(path, reason);
    for (const child of children ?? []) this.addAll(child, path);
  }

  private value({ typeIn, isList }: DtoProperty, value: unknown, path: string, beside: object): unknown {
    const type = typeIn(beside);
    if (type === null || value === null || value === undefined) return value;
    if (type === Number) return isList || typeof value !== 'string' ? value : Number(value);
    const dto = type as DtoClass;
    if (!isList) return this.object(dto, value, path);
    if (Array.isArray(value)) return value.map((one, at) => this.object(dto, one, `${path}.${at}`));
    this.refuseShape(path, 'an array');
    return value;
  }

  private refuseShape(path: string, wanted: string): void {
    this.hasShape = false;
    this.add(path, `${path === '' ? 'the request' : path} must be ${wanted}`);
  }

  private get isFull(): boolean {
    return this.issues.length >= MOST_TOLD;
  }

  private add(field: string, reason: string): void {
    if (!this.isFull) this.issues.push(issue('request.malformed', { reason }, { field }));
  }
}

function isPlain(input: unknown): input is object {
  return typeof input === 'object' && input !== null && !Array.isArray(input);
}
