/** One step of the database. One that has been released is never edited; a new one follows it. */
export interface MigrationStep {
  /** Begins with its number, which is its place among all. */
  readonly name: string;
  readonly sql: string;
}
