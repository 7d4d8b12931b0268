/**
 * An entry of a record by a name that comes from outside: "constructor" and its like, which every object answers to,
 * name nothing.
 */
export const ownEntry = <T>(record: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined;
