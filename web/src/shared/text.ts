/** A value of unknown kind as people read it: nothing where there is none, and JSON where it is no single value. */
export function textOf(value: unknown): string {
  switch (typeof value) {
    case 'string':
      return value;
    case 'number':
    case 'boolean':
    case 'bigint':
      return value.toString();
    default:
      return value === undefined || value === null ? '' : JSON.stringify(value);
  }
}
