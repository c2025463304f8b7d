import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { ValidationTypes, getMetadataStorage } from 'class-validator';

export type DtoClass<T extends object = object> = new () => T;

/** A property that a DTO class declares. */
export interface DtoProperty {
  /**
   * The class that `@Type` names, which may depend on what stands beside the property: a DTO class, or `Number` for what
   * comes as text in an address; null for neither.
   */
  typeIn(beside: object): DtoClass | NumberConstructor | null;
  /** Whether that is the class of each item of a list. */
  readonly isList: boolean;
}

/** The properties of a DTO class, from its decorators; nothing else may be sent. */
export function propertiesOf(dto: DtoClass): ReadonlyMap<string, DtoProperty> {
  const rules = getMetadataStorage().getTargetValidationMetadatas(dto, '', true, false);
  const properties = new Map<string, DtoProperty>();
  for (const { propertyName, type, each } of rules) {
    const isList = type === ValidationTypes.NESTED_VALIDATION && each;
    const wasList = properties.get(propertyName)?.isList === true;
    properties.set(propertyName, { typeIn: typeOf(dto, propertyName), isList: isList || wasList });
  }
  return properties;
}

/** What class-transformer keeps of `@Type`; it has no public way to ask. */
function typeOf(dto: DtoClass, property: string): DtoProperty['typeIn'] {
  const named = defaultMetadataStorage.findTypeMetadata(dto, property);
  if (!named) return () => null;
  return (object) => named.typeFunction({ newObject: {}, object, property }) as DtoClass;
}
