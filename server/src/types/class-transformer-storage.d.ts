declare module 'class-transformer/cjs/storage.js' {
  import type { TypeHelpOptions } from 'class-transformer';

  /** What `@Type` has noted of properties; the package keeps it without declaring it. */
  export const defaultMetadataStorage: {
    findTypeMetadata(
      target: object,
      property: string,
    ): { readonly typeFunction: (options: TypeHelpOptions) => unknown } | undefined;
  };
}
