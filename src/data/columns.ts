import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
} from 'sequelize';

/** A row as Sequelize has it, from what its interface says. */
export type Row<M extends Model> = Model<InferAttributes<M>, InferCreationAttributes<M>>;

export const { STRING, TEXT, DOUBLE, INTEGER, BOOLEAN, DATE, JSON } = DataTypes;

// Made anew for each column: Sequelize writes the column's name into what it is given.
export const id = () => ({ type: STRING, primaryKey: true });
export const required = <T>(type: T) => ({ type, allowNull: false });
export const optionalDate = () => ({ type: DATE, allowNull: true });
export const optionalText = () => ({ type: STRING, allowNull: true });

/** Tables are named as their models, and keep no times of their own. */
export const TABLE = { timestamps: false, freezeTableName: true };

/** A time as it is stored, for a statement that is written by hand. */
export const storedTime = (at: Date): string =>
  at.toISOString().replace('T', ' ').replace('Z', ' +00:00');

/** A time that is stored, or null. */
export const optionalTime = (text: string | null): Date | null =>
  text === null ? null : new Date(text);

/** What is stored as JSON, for a statement that is written by hand. */
export const fromStored = (text: string | null): unknown =>
  text === null ? null : (globalThis.JSON.parse(text) as unknown);
