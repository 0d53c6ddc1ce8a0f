import type { Migration } from '.';

/** What a drill says beside its layout, where it came from, and whom a layout is fitted to. */
export const drills: Migration = {
  name: '003-drills',
  statements: [
    `ALTER TABLE student ADD COLUMN school TEXT NOT NULL DEFAULT 'arc'`,
    `ALTER TABLE student ADD COLUMN kit JSON NOT NULL DEFAULT '["tee","coin","marker","tape"]'`,
    `ALTER TABLE putter ADD COLUMN lieAngle REAL NOT NULL DEFAULT 1.2217304763960306`,
    `ALTER TABLE drill ADD COLUMN origin TEXT`,
    `ALTER TABLE drillVersion ADD COLUMN details JSON NOT NULL DEFAULT '{}'`,
    `ALTER TABLE drillVersion ADD COLUMN at DATETIME`,
    `ALTER TABLE run ADD COLUMN rung INTEGER`,
  ],
};
