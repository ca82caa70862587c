/**
 * What core uses of the CSV reader. Its published types bring Node's and the page's with them, and
 * core must not be able to name either.
 */
declare module 'papaparse' {
  interface ParseError {
    readonly type: string;
    readonly code: string;
    readonly message: string;
    readonly row?: number | undefined;
  }
  interface Parsed<T> {
    readonly data: T[];
    readonly meta: { readonly fields?: string[] | undefined };
    readonly errors: ParseError[];
  }
  interface ReadOptions {
    readonly header: true;
    readonly skipEmptyLines: 'greedy';
    readonly transformHeader: (header: string) => string;
  }
  interface Table {
    readonly fields: readonly string[];
    readonly data: readonly (readonly unknown[])[];
  }
  const papa: {
    parse<T>(text: string, options: ReadOptions | { readonly delimiter: string }): Parsed<T>;
    unparse(
      table: Table,
      options?: { readonly newline: string; readonly escapeFormulae?: boolean },
    ): string;
  };
  export default papa;
}
