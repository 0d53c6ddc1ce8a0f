import type { Migration } from '.';

/** What is new of a run is found without reading all of it. */
export const revisions: Migration = {
  name: '009-revisions',
  statements: [
    `CREATE INDEX puttByRevision ON putt (runId, revision)`,
    `CREATE INDEX markByRevision ON runMark (runId, revision)`,
  ],
};
