import type { Migration } from '.';
import { fillPlaces, tellManners } from '../places';

/** Where and how every putt was made: told by the drill and found by playing its rule again. */
export const places: Migration = {
  name: '006-places',
  statements: [`ALTER TABLE putt ADD COLUMN place JSON`, `ALTER TABLE putt ADD COLUMN manner TEXT`],
  async fill(sequelize, transaction) {
    await tellManners(sequelize, transaction);
    await fillPlaces(sequelize, transaction);
  },
};
